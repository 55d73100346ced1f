import { useEffect, useState } from 'react';

import { pictureKey, readBlob, useAttic, type PictureSize } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';

import { useIncoming } from './incoming';
import { readShown } from './pictures';

/** Sizes that pictures are looked at in. */
export type ShownSize = Exclude<PictureSize, 'original'>;

/** How long an address still holds after its bytes changed, milliseconds: a view may still be drawing it. */
const STILL_DRAWN = 10_000;

/** The addresses by which a page shows stored bytes: one for each, until the bytes change. */
class Addresses {
  private readonly all = new Map<string, { version: number; address: string }>();

  /** @param version changes with the bytes */
  isNow(key: string, version: number): boolean {
    return this.all.get(key)?.version === version;
  }

  of(key: string): string | null {
    return this.all.get(key)?.address ?? null;
  }

  put(key: string, version: number, blob: Blob): void {
    if (this.isNow(key, version)) return;
    const before = this.of(key);
    this.all.set(key, { version, address: URL.createObjectURL(blob) });
    if (before !== null) setTimeout(() => URL.revokeObjectURL(before), STILL_DRAWN);
  }
}

const addresses = new Addresses();

/** Address of a stored picture or clip for showing; null while it is being read or where there is none. */
export function usePictureAddress(id: string | undefined, size: ShownSize): string | null {
  // The bytes change whenever something is done to the picture.
  const version = useAttic((s) => (id ? (s.pictures[id]?.bytes ?? 0) : 0));
  // What a reload interrupted gets its bytes once it was worked up again.
  const isWaiting = useIncoming((s) => s.waiting.some((w) => w.id === id));
  const key = id ? pictureKey(id, size) : '';
  const [, again] = useState(0);
  useEffect(() => {
    if (!id || addresses.isNow(key, version)) return;
    let wanted = true;
    const read = size === 'full' ? readShown(id) : readBlob(key);
    void read.catch(unlessExpected('reading a picture')).then((blob) => {
      if (!blob) return;
      addresses.put(key, version, blob);
      if (wanted) again((n) => n + 1);
    });
    return () => {
      wanted = false;
    };
  }, [id, isWaiting, key, size, version]);
  return addresses.of(key);
}
