import { SHEET } from './sheet';

export interface Notice {
  id: string;
  /** Whoever has it may take the notice down. */
  key: string;
  heading: string;
  words: string;
  cents: number;
  postCents?: number;
  board: string;
  state: string;
  photos: string[];
  status: 'up' | 'bought' | 'down';
  at: number;
}

const chars = (text: string) => [...new Intl.Segmenter().segment(text)].length;

/** What the board's form says of a notice that can't be put up. */
export function objectionsTo(
  n: Pick<Notice, 'heading' | 'words' | 'cents' | 'board' | 'state'>,
  photos: readonly { long: number; bytes: number }[],
  most: number,
): string[] {
  const found: string[] = [];
  if (chars(n.heading.trim()) < 1 || chars(n.heading) > 70) found.push('heading: 1 to 70 characters.');
  if (chars(n.words) > 2_000) found.push('words: up to 2000 characters.');
  if ([n.heading, n.words].some((words) => /<[a-z!/][^>]*>/i.test(words)))
    found.push('words: plain words only.');
  if (!(Number.isInteger(n.cents) && n.cents >= 100 && n.cents <= 1_000_000))
    found.push('price: 1.00 to 10000.00.');
  if (!SHEET.categories.some((b) => b.id === n.board)) found.push('board: one of ours.');
  if (!SHEET.conditions.some((s) => s.code === n.state)) found.push('state: good, fair or poor.');
  if (photos.length < 1 || photos.length > most) found.push(`photos: 1 to ${most}.`);
  if (photos.some((p) => p.long < 300)) found.push('photos: at least 300 pixels.');
  if (photos.some((p) => p.bytes > 2_000_000)) found.push('photos: up to 2 MB.');
  return found;
}
