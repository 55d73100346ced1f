import { createAsyncStorage } from '@react-native-async-storage/async-storage';

import { Expected } from '@/store/base/faults';

import { forgetTrial, howKept } from './keeping';

/**
 * What can be stored: JSON text, or a Blob (the web engine keeps Blobs as they are, whatever its types say).
 */
export type Stored = string | Blob;

/** A Blob in a browser that stores none: its bytes and what they are. */
interface Bytes {
  bytes: ArrayBuffer;
  type: string;
}

/** The few calls that are made of the browser's storage. */
interface Engine {
  getItem(key: string): Promise<unknown>;
  getMany(keys: string[]): Promise<Record<string, unknown>>;
  getAllKeys(): Promise<string[]>;
  setMany(entries: Record<string, unknown>): Promise<unknown>;
  removeMany(keys: string[]): Promise<unknown>;
}

/** For a browser that keeps nothing: all of it goes with the page. */
class Memory implements Engine {
  private readonly kept = new Map<string, unknown>();
  getItem = async (key: string) => this.kept.get(key) ?? null;
  getMany = async (keys: string[]) => Object.fromEntries(keys.map((k) => [k, this.kept.get(k) ?? null]));
  getAllKeys = async () => [...this.kept.keys()];
  setMany = async (entries: Record<string, unknown>) => {
    for (const [key, value] of Object.entries(entries)) this.kept.set(key, value);
  };
  removeMany = async (keys: string[]) => {
    for (const key of keys) this.kept.delete(key);
  };
}

/** In place of the browser's storage: it lasts as long as the page, whoever opens an attic anew. */
class Memories {
  private readonly all = new Map<string, Memory>();

  of(name: string): Memory {
    const memory = this.all.get(name) ?? new Memory();
    this.all.set(name, memory);
    return memory;
  }
}
const memories = new Memories();

/** What attics' databases are called in the browser. */
export const DATABASE = 'attic-';

/**
 * The browser's storage of one attic, with types that tell the truth about Blobs.
 *
 * @example
 *   const disk = new Disk('default');
 *   await disk.write({ 'items:0': JSON.stringify(page) });
 */
export class Disk {
  private opened: Promise<Engine> | null = null;

  constructor(private readonly name: string) {}

  async text(key: string): Promise<string | null> {
    const value = await (await this.engine()).getItem(key);
    return typeof value === 'string' ? value : null;
  }

  async texts(keys: string[]): Promise<Record<string, string | null>> {
    const values = await (await this.engine()).getMany(keys);
    return Object.fromEntries(
      Object.entries(values).map(([key, value]) => [key, typeof value === 'string' ? value : null]),
    );
  }

  async blob(key: string): Promise<Blob | null> {
    const value = await (await this.engine()).getItem(key);
    if (value instanceof Blob) return value;
    return isBytes(value) ? new Blob([value.bytes], { type: value.type }) : null;
  }

  async keys(): Promise<string[]> {
    return (await this.engine()).getAllKeys();
  }

  /** All or nothing: what was there survives a failed write. @throws DiskFull when there is no room. */
  async write(entries: Record<string, Stored>): Promise<void> {
    const engine = await this.engine();
    const kept = (await howKept()) === 'bytes' ? await inBytes(entries) : entries;
    try {
      await engine.setMany(kept);
    } catch (error) {
      // A quota error arrives without words; the estimate tells it apart.
      const room = await navigator.storage?.estimate?.();
      const left = room?.quota !== undefined && room.usage !== undefined ? room.quota - room.usage : Infinity;
      const size = Object.values(entries).reduce(
        (n, v) => n + (typeof v === 'string' ? v.length : v.size),
        0,
      );
      if (left < size * 2) throw new DiskFull();
      forgetTrial();
      throw error;
    }
  }

  async remove(keys: string[]): Promise<void> {
    if (keys.length > 0) await (await this.engine()).removeMany(keys);
  }

  private engine(): Promise<Engine> {
    this.opened ??= howKept().then((how): Engine => {
      // The engine hands Blobs on as they are, though its types say text.
      if (how !== 'memory') return createAsyncStorage(`${DATABASE}${this.name}`) as unknown as Engine;
      return memories.of(this.name);
    });
    return this.opened;
  }
}

function isBytes(value: unknown): value is Bytes {
  return (
    typeof value === 'object' &&
    value !== null &&
    'bytes' in value &&
    value.bytes instanceof ArrayBuffer &&
    'type' in value &&
    typeof value.type === 'string'
  );
}

async function inBytes(entries: Record<string, Stored>): Promise<Record<string, string | Bytes>> {
  const all = Object.entries(entries).map(async ([key, value]) => {
    const kept = typeof value === 'string' ? value : { bytes: await value.arrayBuffer(), type: value.type };
    return [key, kept] as const;
  });
  return Object.fromEntries(await Promise.all(all));
}

export class DiskFull extends Expected {
  constructor() {
    super('This device has no room left for the attic.');
  }
}
