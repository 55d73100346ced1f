import { useEffect, useState } from 'react';

import type { Picture, Thing } from '@/contract/records';

import { change, newId, pictureKey, putBlob, readBlob, saveNow, useAttic } from './attic';
import { pictureWorker } from './pictureWorker';
import { addThing, thingWith } from './things';

export interface NotTaken {
  name: string;
  why: string;
}

export interface Taken {
  /** The thing they went to; null when none could be taken into a new one. */
  thingId: string | null;
  notTaken: NotTaken[];
}

/**
 * Takes picture files into a thing, one after the other. What can't be read is reported and the
 * others go on; each is stored before the next one begins.
 *
 * @param target a thing's id; null begins a new thing, which exists as soon as its first picture does
 */
export async function addPictures(
  target: string | null,
  files: readonly File[],
  origin: Picture['origin'],
  onEach?: (done: number, thingId: string | null) => void,
): Promise<Taken> {
  const notTaken: NotTaken[] = [];
  let thingId = target;
  for (const [i, file] of files.entries()) {
    const prepared = await pictureWorker().prepare(file);
    if (!prepared.ok) notTaken.push({ name: file.name, why: prepared.why });
    else {
      thingId ??= addThing();
      const thing = useAttic.getState().things[thingId];
      if (!thing) return { thingId: null, notTaken };
      const id = newId();
      putBlob(pictureKey(id, 'full'), prepared.full);
      putBlob(pictureKey(id, 'thumb'), prepared.thumb);
      const { width, height, takenAt } = prepared;
      const { author } = useAttic.getState().settings;
      const bytes = prepared.full.size;
      const record: Picture = {
        id,
        thingId,
        origin,
        author,
        takenAt,
        addedAt: Date.now(),
        width,
        height,
        bytes,
      };
      change('picture added', [
        { collection: 'pictures', id, record },
        thingWith(thing, { pictureIds: [...thing.pictureIds, id] }),
      ]);
      await saveNow();
    }
    onEach?.(i + 1, thingId);
  }
  return { thingId, notTaken };
}

export function removePicture(thing: Thing, id: string): void {
  change(
    'picture removed',
    [
      thingWith(thing, { pictureIds: thing.pictureIds.filter((p) => p !== id) }),
      { collection: 'pictures', id, record: null },
    ],
    { destructive: true },
  );
}

export function orderPictures(thing: Thing, pictureIds: string[]): void {
  change('pictures in a new order', [thingWith(thing, { pictureIds })]);
}

// ---- showing ------------------------------------------------------------------------------------------

const addresses = new Map<string, string>();

/** Address of a stored picture for showing; null while it is being read or where there is none. */
export function usePictureAddress(id: string | undefined, size: 'full' | 'thumb'): string | null {
  const key = id ? pictureKey(id, size) : '';
  const [, again] = useState(0);
  useEffect(() => {
    if (key === '' || addresses.has(key)) return;
    let wanted = true;
    void readBlob(key).then((blob) => {
      if (!blob) return;
      if (!addresses.has(key)) addresses.set(key, URL.createObjectURL(blob));
      if (wanted) again((n) => n + 1);
    });
    return () => {
      wanted = false;
    };
  }, [key]);
  return addresses.get(key) ?? null;
}
