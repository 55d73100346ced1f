import { createAsyncStorage, type AsyncStorage } from '@react-native-async-storage/async-storage';

/** What can be stored: JSON text, or a Blob (the web engine keeps Blobs as they are, whatever its types say). */
export type Stored = string | Blob;

/** The browser's storage of one attic, with types that tell the truth about Blobs. */
export class Disk {
  private readonly storage: AsyncStorage;

  constructor(name: string) {
    this.storage = createAsyncStorage(`attic-${name}`);
  }

  async text(key: string): Promise<string | null> {
    const value: unknown = await this.storage.getItem(key);
    return typeof value === 'string' ? value : null;
  }

  async texts(keys: string[]): Promise<Record<string, string | null>> {
    return this.storage.getMany(keys);
  }

  async blob(key: string): Promise<Blob | null> {
    const value: unknown = await this.storage.getItem(key);
    return value instanceof Blob ? value : null;
  }

  keys(): Promise<string[]> {
    return this.storage.getAllKeys();
  }

  /** All or nothing: what was there survives a failed write. @throws DiskFull when there is no room. */
  async write(entries: Record<string, Stored>): Promise<void> {
    try {
      await this.storage.setMany(entries as Record<string, string>);
    } catch (error) {
      // A quota error arrives without words; the estimate tells it apart.
      const room = await navigator.storage?.estimate?.();
      const left = room?.quota !== undefined && room.usage !== undefined ? room.quota - room.usage : Infinity;
      const size = Object.values(entries).reduce(
        (n, v) => n + (typeof v === 'string' ? v.length : v.size),
        0,
      );
      if (left < size * 2) throw new DiskFull();
      throw error;
    }
  }

  async remove(keys: string[]): Promise<void> {
    if (keys.length > 0) await this.storage.removeMany(keys);
  }
}

export class DiskFull extends Error {
  constructor() {
    super('This device has no room left for the attic.');
  }
}
