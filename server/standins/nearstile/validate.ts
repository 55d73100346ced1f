import { BOARDS, PLACES, SHEET } from './sheet';
import type { Switches } from '../kit/faults';
import { picturesToday } from '../kit/service';

const text = (value: unknown, most: number): value is string =>
  typeof value === 'string' && value.length <= most;
const graphemes = (value: string) => [...new Intl.Segmenter().segment(value)].length;

const isTag = (tag: unknown) => text(tag, 80) && tag.trim() !== '' && graphemes(tag) <= 20;

/** Faults of an ad that need no person to see. */
export function faultsOf(b: Record<string, unknown>, switches: Switches): string[] {
  const faults: string[] = [];
  if (!text(b.heading, 4_000) || graphemes(b.heading.trim()) < 1 || graphemes(b.heading) > 64)
    faults.push('heading: 1 to 64 characters');
  if (!text(b.body, 20_000) || graphemes(b.body) > 1_500) faults.push('body: up to 1500 characters');
  if (typeof b.euros !== 'number' || !(b.euros >= 0 && b.euros <= 5_000)) faults.push('euros: 0 to 5000');
  if (!SHEET.categories.some((x) => x.id === b.board)) faults.push('board: not one of ours');
  if (!SHEET.conditions.some((x) => x.code === b.state)) faults.push('state: new, used or fix');
  if (!PLACES.includes(String(b.place))) faults.push('place: not one of ours');
  const tags: unknown = b.tags ?? [];
  if (!Array.isArray(tags) || tags.length > 5 || !tags.every(isTag))
    faults.push('tags: up to 5, of 1 to 20 characters each');
  const days = b.higherDays ?? 0;
  if (!Number.isInteger(days) || Number(days) < 0 || Number(days) > 365)
    faults.push('higherDays: 0 to 365 days');
  const boards = b.boards ?? [];
  if (!Array.isArray(boards) || !boards.every((name) => BOARDS.includes(String(name))))
    faults.push('boards: only quarters of ours');
  if (b.acquaintances !== undefined && typeof b.acquaintances !== 'boolean')
    faults.push('acquaintances: true or false');
  if (!text(b.origin ?? '', 40)) faults.push('origin: up to 40 characters');
  else if (switches.asksOrigin && String(b.origin ?? '').trim() === '')
    faults.push('origin: where was it made');
  if ([b.heading, b.body].some((words) => /<[a-z!/][^>]*>/i.test(String(words))))
    faults.push('body: plain words only');
  for (const [field, words] of [
    ['heading', b.heading],
    ['body', b.body],
  ] as const)
    for (const word of ['postage', 'swap'])
      if (new RegExp(`(^|[^\\p{L}\\p{N}])${word}($|[^\\p{L}\\p{N}])`, 'iu').test(String(words)))
        faults.push(`${field}: no “${word}” here: items are handed over in person, and not swapped`);
  return faults;
}

/** Faults of its photos; a side of 0 stands for what is no JPEG. */
export function photoFaults(
  photos: readonly { longSide: number; bytes: number }[],
  switches: Switches,
): string[] {
  const faults: string[] = [];
  const most = picturesToday(10, switches);
  if (photos.length < 1 || photos.length > most) faults.push(`photos: 1 to ${most}`);
  for (const { longSide, bytes } of photos) {
    if (longSide === 0) faults.push('photos: not a JPEG');
    else if (longSide < 400) faults.push('photos: at least 400 pixels');
    if (bytes > 1_500_000) faults.push('photos: up to 1.5 MB');
  }
  return faults;
}
