import { titleOf } from './records';
import type { Switches } from '../kit/faults';

/** One line of an uploaded list. */
export interface Line {
  action: string;
  ref: string;
  barcode: string;
  condition: string;
  note: string;
  cents: string;
  origin: string;
  keptAt: string;
  /** How many copies just alike, those that were sold counted in. */
  copies: string;
}

export interface Fault {
  code: string;
  words: string;
}

const MEDIA_WORDS: Record<string, readonly string[]> = {
  pages: ['A', 'B', 'C', 'D'],
  sound: ['A', 'B', 'C', 'D'],
  screen: ['A', 'B', 'C', 'D'],
  table: ['A', 'B', 'C'],
};

/**
 * The first thing wrong with a line; null when nothing is. A line has one code, like everywhere such lists
 * are read.
 *
 * @param sold how many copies of it went so far
 */
export function faultOf(line: Line, switches: Switches, sold = 0): Fault | null {
  const fault = (code: string, words: string): Fault => ({ code, words });
  if (!/^\d{7,13}[\dX]$/.test(line.barcode)) return fault('Q10', 'That is no barcode.');
  const title = titleOf(line.barcode);
  if (!title) return fault('Q11', 'We have no record under that barcode.');
  if (title.closed) return fault('Q12', 'That record is closed to you.');
  if (!(MEDIA_WORDS[title.rack] ?? []).includes(line.condition))
    return fault('Q20', 'That is no condition of ours for this.');
  if ([...new Intl.Segmenter().segment(line.note)].length > 600)
    return fault('Q21', 'The note is longer than 600.');
  if (/<[a-z!/][^>]*>/i.test(line.note)) return fault('Q22', 'Plain words in the note.');
  if (/\S+@\S+\.\S{2,}|https?:\/\/|www\./i.test(line.note)) return fault('Q23', 'No addresses in the note.');
  const cents = /^\d{1,8}$/.test(line.cents) ? Number(line.cents) : -1;
  if (cents < 50) return fault('Q30', 'Under the least price of 0.50.');
  if (cents > 50_000) return fault('Q31', 'Over the greatest price of 500.00.');
  const copies = /^[1-9]\d{0,3}$/.test(line.copies) ? Number(line.copies) : 0;
  if (copies < 1 || copies - sold > 99) return fault('Q32', '1 to 99 copies.');
  if (line.keptAt !== '' && line.copies !== '1') return fault('Q33', 'Our depot keeps each by itself.');
  if (switches.asksOrigin && line.origin.trim() === '') return fault('Q40', 'Where was it made?');
  if (line.origin.length > 40) return fault('Q41', 'Where it was made: up to 40 characters.');
  return null;
}

/** What keeps a copy's own picture out; null when nothing does. A side of 0 stands for what is no JPEG. */
export function pictureFault(longSide: number, bytes: number, place: number): string | null {
  if (longSide === 0) return 'That is no JPEG.';
  if (longSide < 400) return 'A picture has at least 400 pixels.';
  if (bytes > 1_000_000) return 'A picture has up to 1 MB.';
  return place >= 0 && place < 4 ? null : 'Four pictures at the most.';
}
