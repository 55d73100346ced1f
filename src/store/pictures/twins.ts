import type { Picture } from '@/contract/picture';
import type { Item } from '@/contract/records';
import type { Twin } from '@/core/picture/judge';
import { seenOf } from '@/core/picture/twins';
import { useAttic } from '@/store/attic/attic';
import { keptWorker, WorkerStopped, type KeptWorker } from '@/store/base/workers';
import type { Change, TwinWorker } from '@/workers/twins.worker';

/** Pictures told at a time: a finger never waits for more to be copied. */
const AT_ONCE = 500;
/** A worker that stopped is told everything anew, so often. */
const TRIES = 3;

type TwinOf = (item: Item, picture: Picture) => Promise<Twin | null>;

/**
 * Another picture that shows the same, of the item itself or of another one.
 *
 * @throws WorkerStopped where it can't be told
 */
export const twinOf: TwinOf = twinsBy((onStart) =>
  keptWorker<TwinWorker>(
    'looking for pictures that show the same',
    () => new Worker(new URL('../../workers/twins.worker.ts', window.location.href)),
    onStart,
  ),
);

/** @param start gives the worker, which tells when a new one is started */
export function twinsBy(
  start: (onStart: () => void) => Pick<KeptWorker<TwinWorker>, 'ask' | 'begin'>,
): TwinOf {
  /** Pictures as the worker was told of them, and whether it can compare them. */
  const told = new Map<string, { picture: Picture; counts: boolean }>();
  const worker = start(() => told.clear());
  let telling = Promise.resolve(0);
  /** @returns how many the worker should know */
  const tell = async (): Promise<number> => {
    worker.begin();
    const changes = news(useAttic.getState().pictures, told);
    for (let at = 0; at < changes.length; at += AT_ONCE)
      await worker.ask.know(changes.slice(at, at + AT_ONCE));
    let count = 0;
    for (const { counts } of told.values()) count += Number(counts);
    return count;
  };
  return async (item, picture) => {
    if (!hasOthers(picture)) return null;
    for (let tries = 0; tries < TRIES; tries += 1) {
      telling = telling.then(tell, tell);
      const found = await worker.ask.twinOf(picture.id, item.pictureIds, await telling);
      if (found !== 'behind') return named(found, item);
      told.clear();
    }
    throw new WorkerStopped();
  };
}

/** Whether there is anything to hold it against: a first picture has no need of a worker. */
function hasOthers({ id }: Picture): boolean {
  const { pictures } = useAttic.getState();
  for (const other in pictures) if (other !== id) return true;
  return false;
}

/** What changed since it was told, which is noted as told. */
function news(
  pictures: Readonly<Record<string, Picture>>,
  told: Map<string, { picture: Picture; counts: boolean }>,
): Change[] {
  const changes: Change[] = [];
  for (const id of told.keys())
    if (!pictures[id]) {
      told.delete(id);
      changes.push([id, null]);
    }
  for (const [id, picture] of Object.entries(pictures)) {
    if (told.get(id)?.picture === picture) continue;
    const seen = seenOf(picture);
    told.set(id, { picture, counts: seen !== null });
    changes.push([id, seen]);
  }
  return changes;
}

/** A picture as a person knows it: by its place among the item's own, or by its item's code. */
function named(id: string | null, item: Item): Twin | null {
  if (id === null) return null;
  const at = item.pictureIds.indexOf(id);
  if (at >= 0) return { position: at + 1 };
  const { pictures, items } = useAttic.getState();
  const owner = items[pictures[id]?.itemId ?? ''];
  return owner ? { itemCode: owner.code } : null;
}
