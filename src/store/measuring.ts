import { Picture, type Made, type MeasureLine } from '@/contract/picture';
import type { Thing } from '@/contract/records';
import type { Length } from '@/core/measure/plane';
import { formatLength, type Units } from '@/core/measure/units';

import { change, newId, pictureKey, putBlob, saveNow, useAttic } from './attic';
import { originalOf } from './cleaning';
import { unlessExpected } from './faults';
import { kindsNow } from './kinds';
import { pictureWorker } from './pictureWorker';
import { thingWith } from './things';

/** What stands on a measurement picture, by measurement: "Pit to pit 54 cm". */
export function figuresFor(
  thing: Thing,
  lines: readonly MeasureLine[],
  units: Units,
): Record<string, string> {
  const figures: Record<string, string> = {};
  for (const spec of kindsNow().measures(thing.kind)) {
    const mm = thing.measurements[spec.id];
    if (mm !== undefined && lines.some((l) => l.measure === spec.id))
      figures[spec.id] = `${spec.name} ${formatLength(mm, units)}`;
  }
  return figures;
}

/** Takes lengths found in a picture over into the thing's measurements, with how far they may be off. */
export function keepLengths(thing: Thing, lengths: Record<string, Length>): Thing {
  const now = useAttic.getState().things[thing.id] ?? thing;
  const measurements = { ...now.measurements };
  const uncertainty = { ...now.uncertainty };
  const measuredBy = { ...now.measuredBy };
  for (const [id, { mm, plusMinus }] of Object.entries(lengths)) {
    measurements[id] = Math.round(mm);
    uncertainty[id] = Math.max(1, Math.round(plusMinus));
    measuredBy[id] = 'picture';
  }
  change('measured in the picture', [thingWith(now, { measurements, uncertainty, measuredBy })]);
  return useAttic.getState().things[thing.id] ?? now;
}

/**
 * Makes a measurement picture, or makes it anew: the photo with arrows and figures. It stands behind the picture it was
 * made from.
 *
 * @returns its id
 */
export async function makeMeasurementPicture(
  thingId: string,
  from: string,
  lines: readonly MeasureLine[],
  plane: Made['plane'],
): Promise<string | null> {
  const { things, pictures, settings } = useAttic.getState();
  const thing = things[thingId];
  const source = pictures[from];
  if (!thing || !source) return null;
  const figures = figuresFor(thing, lines, settings.units);
  const drawn = await pictureWorker().measured(await originalOf(from), source.steps, lines, figures);
  const now = useAttic.getState().things[thingId];
  if (!now) return null;
  const before = now.pictureIds.find((id) => useAttic.getState().pictures[id]?.made?.from === from);
  const id = before ?? newId();
  const earlier = before ? useAttic.getState().pictures[before] : undefined;
  putBlob(pictureKey(id, 'full'), drawn.full);
  putBlob(pictureKey(id, 'thumb'), drawn.thumb);
  const record = Picture.parse({
    ...(earlier ?? {
      id, thingId, origin: source.origin, sendAnyway: source.sendAnyway, author: settings.author, addedAt: Date.now(), shows: 'measured',
    }),
    takenAt: source.takenAt,
    width: drawn.width,
    height: drawn.height,
    bytes: drawn.full.size + drawn.thumb.size,
    exam: drawn.exam,
    made: { from, lines: [...lines], plane, figures },
  }); // prettier-ignore
  const ids = [...now.pictureIds];
  if (!before) ids.splice(ids.indexOf(from) + 1, 0, id);
  change(
    'measurement picture',
    [{ collection: 'pictures', id, record }, ...(before ? [] : [thingWith(now, { pictureIds: ids })])],
    { ownUndo: before !== undefined },
  );
  await saveNow();
  return id;
}

/** Draws measurement pictures anew whose figures are no longer the thing's: a value was edited, or the units changed. */
export function keepMeasurementPicturesTrue(): () => void {
  let busy = false;
  let waiting: ReturnType<typeof setTimeout> | null = null;
  const look = async () => {
    waiting = null;
    if (busy) return;
    busy = true;
    try {
      for (const picture of Object.values(useAttic.getState().pictures)) {
        const { made, thingId } = picture;
        const { things, pictures, settings } = useAttic.getState();
        const thing = things[thingId];
        if (!made || !thing || !thing.pictureIds.includes(picture.id) || !pictures[made.from]) continue;
        const figures = figuresFor(thing, made.lines, settings.units);
        if (JSON.stringify(figures) === JSON.stringify(made.figures)) continue;
        if (Object.keys(figures).length === 0) continue;
        // One that can't be drawn now is drawn when something of it changes again.
        await makeMeasurementPicture(thingId, made.from, made.lines, made.plane).catch(
          unlessExpected('drawing a measurement picture'),
        );
      }
    } finally {
      busy = false;
    }
  };
  const unsubscribe = useAttic.subscribe((state, before) => {
    if (state.things === before.things && state.settings.units === before.settings.units) return;
    // After a pause, so that it is not drawn at every key.
    if (waiting) clearTimeout(waiting);
    waiting = setTimeout(() => void look(), 700);
  });
  return () => {
    unsubscribe();
    if (waiting) clearTimeout(waiting);
  };
}
