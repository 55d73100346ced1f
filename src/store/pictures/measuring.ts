import { Picture, type Made, type MeasureLine } from '@/contract/picture';
import type { Item } from '@/contract/records';
import type { Length } from '@/core/measure/plane';
import { formatLength, type Units } from '@/core/measure/units';
import { change, newId, pictureKey, putBlob, saveNow, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';

import { originalOf } from './cleaning';
import { pictureWorker } from './pictureWorker';

/** What stands on a measurement picture, by measurement: "Pit to pit 54 cm". */
function figuresFor(item: Item, lines: readonly MeasureLine[], units: Units): Record<string, string> {
  const figures: Record<string, string> = {};
  for (const spec of kindsNow().measures(item.kind)) {
    const mm = item.measurements[spec.id];
    if (mm !== undefined && lines.some((l) => l.measure === spec.id))
      figures[spec.id] = `${spec.name} ${formatLength(mm, units)}`;
  }
  return figures;
}

/** Takes lengths found in a picture over into the item's measurements, with how far they may be off. */
export function keepLengths(item: Item, lengths: Record<string, Length>): Item {
  const now = useAttic.getState().items[item.id] ?? item;
  const measurements = { ...now.measurements };
  const uncertainty = { ...now.uncertainty };
  const measuredBy = { ...now.measuredBy };
  for (const [id, { mm, plusMinus }] of Object.entries(lengths)) {
    measurements[id] = Math.round(mm);
    uncertainty[id] = Math.max(1, Math.round(plusMinus));
    measuredBy[id] = 'picture';
  }
  // What was laid by itself has been looked at by then.
  const readings = now.readings.filter(
    (r) => r.laid === null || !(r.field.slice('measure:'.length) in lengths),
  );
  change('measured in the picture', [itemWith(now, { measurements, uncertainty, measuredBy, readings })]);
  return useAttic.getState().items[item.id] ?? now;
}

/**
 * Makes a measurement picture, or makes it anew: the photo with arrows and figures. It stands behind the
 * picture it was made from.
 *
 * @returns its id
 */
export async function makeMeasurementPicture(
  itemId: string,
  from: string,
  lines: readonly MeasureLine[],
  plane: Made['plane'],
): Promise<string | null> {
  const { items, pictures, settings } = useAttic.getState();
  const item = items[itemId];
  const source = pictures[from];
  if (!item || !source) return null;
  const figures = figuresFor(item, lines, settings.units);
  const drawn = await pictureWorker().measured(await originalOf(from), source.steps, lines, figures);
  const now = useAttic.getState().items[itemId];
  if (!now) return null;
  const before = now.pictureIds.find((id) => useAttic.getState().pictures[id]?.made?.from === from);
  const id = before ?? newId();
  const earlier = before ? useAttic.getState().pictures[before] : undefined;
  putBlob(pictureKey(id, 'full'), drawn.full);
  putBlob(pictureKey(id, 'thumb'), drawn.thumb);
  const record = Picture.parse({
    ...(earlier ?? {
      id,
      itemId,
      origin: source.origin,
      sendAnyway: source.sendAnyway,
      author: settings.author,
      addedAt: Date.now(),
      shows: 'measured',
    }),
    takenAt: source.takenAt,
    width: drawn.width,
    height: drawn.height,
    bytes: drawn.full.size + drawn.thumb.size,
    exam: drawn.exam,
    made: { from, lines: [...lines], plane, figures },
  });
  const ids = [...now.pictureIds];
  if (!before) ids.splice(ids.indexOf(from) + 1, 0, id);
  change(
    'measurement picture',
    [{ collection: 'pictures', id, record }, ...(before ? [] : [itemWith(now, { pictureIds: ids })])],
    { ownUndo: before !== undefined },
  );
  await saveNow();
  return id;
}

/**
 * Draws measurement pictures anew whose figures are no longer the item's: a value was edited, or the units
 * changed.
 */
export function keepMeasurementPicturesTrue(): () => void {
  let busy = false;
  let waiting: ReturnType<typeof setTimeout> | null = null;
  const look = async () => {
    waiting = null;
    if (busy) return;
    busy = true;
    try {
      for (const picture of Object.values(useAttic.getState().pictures)) {
        const { made, itemId } = picture;
        const { items, pictures, settings } = useAttic.getState();
        const item = items[itemId];
        if (!made || !item || !item.pictureIds.includes(picture.id) || !pictures[made.from]) continue;
        const figures = figuresFor(item, made.lines, settings.units);
        if (JSON.stringify(figures) === JSON.stringify(made.figures)) continue;
        if (Object.keys(figures).length === 0) continue;
        // One that can't be drawn now is drawn when something of it changes again.
        await makeMeasurementPicture(itemId, made.from, made.lines, made.plane).catch(
          unlessExpected('drawing a measurement picture'),
        );
      }
    } finally {
      busy = false;
    }
  };
  const unsubscribe = useAttic.subscribe((state, before) => {
    if (state.items === before.items && state.settings.units === before.settings.units) return;
    // After a pause, so that it is not drawn at every key.
    if (waiting) clearTimeout(waiting);
    waiting = setTimeout(() => void look(), 700);
  });
  return () => {
    unsubscribe();
    if (waiting) clearTimeout(waiting);
  };
}
