import type { Picture } from '@/contract/picture';
import type { Item } from '@/contract/records';
import type { Twin } from '@/core/picture/judge';
import { seenOf } from '@/core/picture/twins';
import { useAttic } from '@/store/attic/attic';
import { keptWorker, WorkerStopped } from '@/store/base/workers';
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

/** What is asked of the worker. */
interface TwinAsk {
  know(changes: readonly Change[]): Promise<void>;
  twinOf(id: string, own: readonly string[], known: number): Promise<string | null>;
}

/** @param start gives the worker, which tells when a new one is started */
export function twinsBy(start: (onStart: () => void) => { ask: TwinAsk; begin(): void }): TwinOf {
  let told: Pictures = {};
  const forget = () => {
    told = {};
  };
  const worker = start(forget);
  let telling = Promise.resolve(0);
  let known = 0;
  /** @returns how many the worker should know */
  const tell = async (): Promise<number> => {
    worker.begin();
    const { pictures } = useAttic.getState();
    // Every picture that is shown asks; most of the time nothing is new.
    if (pictures === told) return known;
    const changes = news(pictures, told);
    told = pictures;
    known = Object.values(pictures).filter((one) => seenOf(one) !== null).length;
    for (let at = 0; at < changes.length; at += AT_ONCE)
      await worker.ask.know(changes.slice(at, at + AT_ONCE));
    return known;
  };
  return async (item, picture) => {
    if (!hasOthers(picture)) return null;
    for (let tries = 0; tries < TRIES; tries += 1) {
      telling = telling.then(tell, tell);
      const found = await worker.ask.twinOf(picture.id, item.pictureIds, await telling);
      if (found !== 'behind') return named(found, item);
      forget();
    }
    throw new WorkerStopped();
  };
}

type Pictures = Readonly<Record<string, Picture>>;

/** Whether there is anything to hold it against: a first picture has no need of a worker. */
function hasOthers({ id }: Picture): boolean {
  const { pictures } = useAttic.getState();
  for (const other in pictures) if (other !== id) return true;
  return false;
}

/** What changed since it was told. */
function news(pictures: Pictures, told: Pictures): Change[] {
  const gone = Object.keys(told).filter((id) => !pictures[id]);
  const other = Object.entries(pictures).filter(([id, picture]) => told[id] !== picture);
  return [
    ...gone.map((id): Change => [id, null]),
    ...other.map(([id, picture]): Change => [id, seenOf(picture)]),
  ];
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
