import type { Item, Reading } from '@/contract/records';

import { wholeWord } from '../language/wholeWord';

type Known = Pick<Item, 'kind' | 'title' | 'weightG' | 'facts' | 'measurements'>;

/** What the item says itself where a reading would stand. */
export function knownValue(item: Known, field: string): string | undefined {
  if (field === 'kind' || field === 'title') return item[field] || undefined;
  // There may be several: none stands in another's place.
  if (field === 'flaw') return undefined;
  if (field === 'weight') return item.weightG === null ? undefined : String(item.weightG);
  const id = field.slice(field.indexOf(':') + 1);
  if (field.startsWith('fact:')) return item.facts[id];
  const mm = item.measurements[id];
  return mm === undefined ? undefined : String(mm);
}

/** A figure by tape and one along a line laid by itself are the same within this, millimetres. */
const LAID_WITHIN = 15;

/** Whether a length that was laid by itself is no news beside a figure that is known or written. */
function isSameLaid({ value, laid }: Pick<Reading, 'value' | 'laid'>, figure: string): boolean {
  return (
    laid !== null && Math.abs(Number(value) - Number(figure)) <= Math.max(LAID_WITHIN, 2 * laid.plusMinus)
  );
}

/**
 * Whether a reading is no news beside what is known or read in full: the same, a length that was laid and
 * fits, or a part of a name ("Kittiwake" beside "Kittiwake Mills").
 */
export function isNoNews(reading: Pick<Reading, 'field' | 'value' | 'laid'>, value: string): boolean {
  if (reading.laid !== null) return isSameLaid(reading, value);
  if (reading.value.toLocaleLowerCase('en') === value.toLocaleLowerCase('en')) return true;
  const isName = reading.field === 'fact:brand' && reading.value.length < value.length;
  return isName && wholeWord(reading.value, 'iu').test(value);
}

function isSaidBy(reading: Reading, other: Reading): boolean {
  if (reading.field !== other.field || reading.id === other.id || other.laid !== null) return false;
  // Of two that say the same neither is the other's shadow.
  return reading.value !== other.value && isNoNews(reading, other.value);
}

/**
 * Whether it needs no look of its own: nothing else is known or read in its place, and nothing is doubtful.
 */
export function isPlain(item: Known & Pick<Item, 'readings'>, reading: Reading): boolean {
  // Of two that say otherwise only one can be so.
  const isAlone = !item.readings.some(
    (other) =>
      other.field === reading.field &&
      other.id !== reading.id &&
      reading.field !== 'flaw' &&
      !isSaidBy(other, reading),
  );
  return isAlone && reading.doubt === null && knownValue(item, reading.field) === undefined;
}

/** Those that are settled with some that are confirmed: of the same, unless it is one of several flaws. */
export function settledWith(readings: readonly Reading[], confirmed: readonly Reading[]): Reading[] {
  return readings.filter((r) =>
    confirmed.some((c) => (r.field === 'flaw' ? r.id === c.id : r.field === c.field)),
  );
}

/** What waits to be confirmed, as a person goes through it. */
export interface Proposals {
  /** Taken together in one press. */
  sure: Reading[];
  /** Lengths along lines laid by themselves: one look at each picture. */
  laid: { pictureId: string; readings: Reading[] }[];
  /** Asked one by one; several readings where they say otherwise of the same. */
  asked: { field: string; readings: Reading[] }[];
}

/** Sorts what was read of an item by how much of a look it needs. */
export function proposalsOf(item: Known & Pick<Item, 'readings'>): Proposals {
  const news = item.readings.filter((r) => !item.readings.some((other) => isSaidBy(r, other)));
  const found: Proposals = { sure: [], laid: [], asked: [] };
  for (const reading of news) {
    const { field, pictureId, laid } = reading;
    const alone = !news.some((other) => other.field === field && other.id !== reading.id);
    if (isPlain(item, reading)) found.sure.push(reading);
    else if (laid && pictureId && alone && knownValue(item, field) === undefined) {
      const there = found.laid.find((l) => l.pictureId === pictureId);
      if (there) there.readings.push(reading);
      else found.laid.push({ pictureId, readings: [reading] });
    } else {
      const there = field === 'flaw' ? undefined : found.asked.find((a) => a.field === field);
      if (there) there.readings.push(reading);
      else found.asked.push({ field, readings: [reading] });
    }
  }
  return found;
}
