import { dequal } from 'dequal';
import memoizeOne from 'memoize-one';

import type { EditStep } from '@/contract/picture';
import type { Item } from '@/contract/records';
import { done, doneAgain, takenBack, type History } from '@/core/picture/history';
import { isPlain, lookOf } from '@/core/picture/look';
import { serialQueue } from '@/core/serialQueue';
import { change, dropBlob, pictureKey, putBlob, readBlob, saveNow, useAttic } from '@/store/attic/attic';
import { Expected } from '@/store/base/faults';
import type { Preview } from '@/workers/picture.worker';

import { readOriginal } from './pictures';
import { pictureWorker } from './pictureWorker';

/** One thing at a time is done to pictures, in the order it was asked for. */
const inTurn = serialQueue();

/** Steps that are worked out anew for each picture. */
export type Automatic = 'light' | 'crop' | 'straighten' | 'white';

/** Told how it is going to look, as a ghost or not, before all of it is done. */
export interface Onlooker {
  ghost: boolean;
  tell: (preview: Preview) => void;
}

/** How large a picture is looked at while it is worked on. Pixels. */
const PREVIEW_SIDE = 1_000;

/**
 * How a picture looks with its steps; as a ghost, what was made white still shines through. The last one made
 * is kept: what is shown while a step is being done is still right when it is done.
 */
export const previewOf = memoizeOne(
  (id: string, steps: readonly EditStep[], ghost = false): Promise<Preview> => {
    const preview = originalOf(id).then((original) =>
      pictureWorker().preview(original, steps, PREVIEW_SIDE, ghost),
    );
    // Whoever waits for it is told; the next one tries anew.
    preview.catch(previewOf.clear);
    return preview;
  },
  ([id, steps, ghost = false], [lastId, lastSteps, lastGhost = false]) =>
    id === lastId && ghost === lastGhost && dequal(steps, lastSteps),
);

export const cleaning = {
  step: (id: string, step: EditStep, show?: Onlooker) =>
    inTurn(() => withHistory(id, (h) => done(h, step), show)),
  undo: (id: string, show?: Onlooker) => inTurn(() => withHistory(id, takenBack, show)),
  redo: (id: string, show?: Onlooker) => inTurn(() => withHistory(id, doneAgain, show)),
  /** Back to how it was taken: every step taken back, to be done again if wanted. */
  reset: (id: string, show?: Onlooker) =>
    inTurn(() =>
      withHistory(
        id,
        ({ steps, undone }) => ({ steps: [], undone: [...undone, ...[...steps].reverse()] }),
        show,
      ),
    ),
  automatic: (id: string, what: Automatic, show?: Onlooker) => inTurn(() => automatic(id, what, show)),
  /**
   * The same kinds of step, worked out for each of the item's other pictures.
   *
   * @returns how many were changed, and how many left because they can't be cut out well
   */
  sameToTheRest: (item: Item, from: string, onEach?: (done: number, of: number) => void) =>
    inTurn(() => sameToTheRest(item, from, onEach)),
};

/** The original under a name that stays the same as long as its bytes do. */
export async function originalOf(id: string): Promise<{ key: string; blob: Blob }> {
  const blob = await readOriginal(id);
  if (!blob) throw new Expected('This picture’s bytes are not on this device.');
  return { key: id, blob };
}

async function withHistory(
  id: string,
  next: (history: History) => { steps: EditStep[]; undone: EditStep[] },
  show?: Onlooker,
): Promise<void> {
  const picture = useAttic.getState().pictures[id];
  if (!picture) return;
  const history = next(picture);
  const original = await originalOf(id);
  if (show) show.tell(await previewOf(id, history.steps, show.ghost));
  const plain = isPlain(lookOf(history.steps));
  const developed = await pictureWorker().develop(original, history.steps);
  // Attics from before originals were kept apart: what was the only one becomes the original.
  if (!(await readBlob(pictureKey(id, 'original')))) putBlob(pictureKey(id, 'original'), original.blob);
  if (plain) dropBlob(pictureKey(id, 'full'));
  else putBlob(pictureKey(id, 'full'), developed.full);
  putBlob(pictureKey(id, 'thumb'), developed.thumb);
  const now = useAttic.getState().pictures[id];
  if (!now) return;
  const { width, height, exam } = developed;
  const bytes = original.blob.size + (plain ? 0 : developed.full.size) + developed.thumb.size;
  change(
    'picture cleaned up',
    [{ collection: 'pictures', id, record: { ...now, ...history, width, height, exam, bytes } }],
    { ownUndo: true },
  );
  await saveNow();
}

async function automatic(id: string, what: Automatic, show?: Onlooker): Promise<void> {
  const picture = useAttic.getState().pictures[id];
  if (!picture) return;
  const step = await worked(id, picture.steps, what, null);
  if (step) await withHistory(id, (h) => done(h, step), show);
}

/** Whether the item can be told well from what it lies on, or somebody drew round it. */
export async function canCutOut(id: string): Promise<boolean> {
  const { steps } = useAttic.getState().pictures[id] ?? { steps: [] };
  return (await pictureWorker().proposals(await originalOf(id), steps)).isSure;
}

async function worked(
  id: string,
  steps: readonly EditStep[],
  what: Automatic,
  shadow: 'kept' | 'dropped' | null,
): Promise<EditStep | null> {
  if (what === 'white' && shadow) return { type: 'white', shadow };
  const found = await pictureWorker().proposals(await originalOf(id), steps);
  // On a busy floor its gaps and grain would be taken for shadow.
  if (what === 'white') return { type: 'white', shadow: found.plain ? 'kept' : 'dropped' };
  if (what === 'light') return { type: 'light', gains: [...found.gains] };
  if (what === 'crop') return found.crop && { type: 'crop', to: found.crop };
  return found.degrees === 0 ? null : { type: 'straighten', degrees: found.degrees };
}

async function sameToTheRest(
  item: Item,
  from: string,
  onEach?: (done: number, of: number) => void,
): Promise<{ done: number; unsure: number }> {
  const { pictures } = useAttic.getState();
  const look = lookOf(pictures[from]?.steps ?? []);
  const wanted: Automatic[] = [];
  if (look.degrees) wanted.push('straighten');
  if (look.gains) wanted.push('light');
  if (look.white) wanted.push('white');
  if (look.crop) wanted.push('crop');
  // Close-ups have no background to speak of: only pictures of all of it are treated alike.
  const rest = item.pictureIds.filter((id) => {
    const p = pictures[id];
    return id !== from && p && !p.made && !p.clip && (p.exam?.area ?? 0) > 0 && p.exam?.cutOff.length === 0;
  });
  let unsure = 0;
  for (const [i, id] of rest.entries()) {
    const steps: EditStep[] = [];
    for (const what of wanted) {
      const before = useAttic.getState().pictures[id]?.steps ?? [];
      const step = await worked(id, [...before, ...steps], what, look.white);
      if (step) steps.push(step);
    }
    // Nobody would see that half of the item went white with the floor.
    if (look.white && !(await canCutOut(id))) unsure += 1;
    else if (steps.length > 0)
      await withHistory(id, ({ steps: before }) => ({ steps: [...before, ...steps], undone: [] }));
    onEach?.(i + 1, rest.length);
  }
  return { done: rest.length - unsure, unsure };
}
