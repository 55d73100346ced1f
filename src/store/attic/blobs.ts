import type { Disk } from './disk';

/** Bytes of pictures, clips and labels: on the disk, or in this page until the next write. */
export class Blobs {
  private waiting: Record<string, Blob> = {};
  private readonly dropped = new Set<string>();

  constructor(private readonly disk: Disk) {}

  /** To be stored together with the records that speak of them. */
  put(key: string, blob: Blob): void {
    this.waiting[key] = blob;
    this.dropped.delete(key);
  }

  /** No longer wanted: taken away with the next write. */
  drop(key: string): void {
    delete this.waiting[key];
    this.dropped.add(key);
  }

  async read(key: string): Promise<Blob | null> {
    return this.waiting[key] ?? (this.dropped.has(key) ? null : await this.disk.blob(key));
  }

  /** Those that are only in this page so far. */
  unsaved(): Readonly<Record<string, Blob>> {
    return this.waiting;
  }

  /** Under which keys there are any, those included that are only in this page so far. */
  async keys(): Promise<string[]> {
    const stored = (await this.disk.keys()).filter((key) => /^(?:picture|label):/u.test(key));
    return [...new Set([...stored, ...Object.keys(this.waiting)])].filter((key) => !this.dropped.has(key));
  }

  /** What a write is to store and to take away; what comes while it runs is not part of it. */
  toWrite(): { bytes: Record<string, Blob>; gone: string[] } {
    return { bytes: { ...this.waiting }, gone: [...this.dropped] };
  }

  /** Stored, and taken away. What came meanwhile stays for the next write. */
  written({ bytes, gone }: { bytes: Record<string, Blob>; gone: string[] }): void {
    for (const key of gone) this.dropped.delete(key);
    this.waiting = Object.fromEntries(
      Object.entries(this.waiting).filter(([key, blob]) => bytes[key] !== blob),
    );
  }
}

/** `full` is the cleaned-up picture; it is absent while it is the same as the original. */
export type PictureSize = 'original' | 'full' | 'thumb' | 'clip';

/** Where the bytes of a picture are kept. */
export function pictureKey(id: string, size: PictureSize): string {
  return `picture:${id}:${size}`;
}
