import { createHash } from 'node:crypto';
import { mkdir, open, readFile, rename, stat } from 'node:fs/promises';
import { join } from 'node:path';

import { clipType } from '@/core/picture/clipPrivacy';
import { fileType } from '@/core/picture/fileType';

/** Pictures and clips the courier may have to send, by the SHA-256 of their bytes. */
export class PictureShelf {
  constructor(private readonly folder: string) {}

  async put(
    hash: string,
    bytes: Uint8Array,
    sort: 'picture' | 'clip' = 'picture',
  ): Promise<'kept' | 'not that picture' | 'not a JPEG' | 'not a clip'> {
    if (sort === 'picture' && fileType(bytes) !== 'jpeg') return 'not a JPEG';
    if (sort === 'clip' && !clipType(bytes.subarray(0, 16))) return 'not a clip';
    if (createHash('sha256').update(bytes).digest('hex') !== hash) return 'not that picture';
    if (await this.has(hash)) return 'kept';
    await mkdir(this.folder, { recursive: true });
    const draft = join(this.folder, `${hash}.${process.hrtime.bigint()}.part`);
    const file = await open(draft, 'w');
    await file.writeFile(bytes);
    await file.sync();
    await file.close();
    await rename(draft, this.path(hash));
    return 'kept';
  }

  async has(hash: string): Promise<boolean> {
    return stat(this.path(hash)).then(
      () => true,
      () => false,
    );
  }

  async get(hash: string): Promise<Uint8Array<ArrayBuffer>> {
    return new Uint8Array(await readFile(this.path(hash)));
  }

  private path(hash: string): string {
    return join(this.folder, `${hash}.jpg`);
  }
}
