import { SHEET } from './sheet';
import { isFields } from '../kit/body';
import type { Switches } from '../kit/faults';
import type { Measured } from '../kit/pictures';
import { picturesToday } from '../kit/service';

/** One good of the shop, as its keeper puts it in. */
export interface Good {
  title: string;
  text: string;
  cents: number;
  postCents: number;
  section: string;
  condition: string;
  origin: string;
  photos: string[];
  search: { title: string; description: string; keywords: string[] };
  /** How many there are, those that were sold counted in. */
  stock: number;
  /** Postage of a further good in the same parcel; absent: each pays its own. */
  furtherCents?: number;
  /** Days until it is sent, and in which it may come back. */
  sentInDays?: number;
  backInDays?: number;
}

const isText = (v: unknown, most: number): v is string => typeof v === 'string' && v.length <= most;

export function readGood(body: unknown): Good | null {
  if (!isFields(body)) return null;
  const b = body;
  const s = b.search;
  const isCount = (n: unknown) => typeof n === 'number' && Number.isInteger(n) && n >= 0;
  const fits =
    ['title', 'text', 'section', 'condition', 'origin'].every((key) => isText(b[key], 60_000)) &&
    [b.cents, b.postCents, b.stock].every(isCount) &&
    [b.furtherCents, b.sentInDays, b.backInDays].every((n) => n === undefined || isCount(n)) &&
    Array.isArray(b.photos) &&
    b.photos.length <= 100 &&
    b.photos.every((p) => isText(p, 100)) &&
    isFields(s) &&
    isText(s.title, 400) &&
    isText(s.description, 2_000) &&
    Array.isArray(s.keywords) &&
    s.keywords.length <= 60 &&
    s.keywords.every((k) => isText(k, 200));
  // Every field of it was just looked at.
  return fits ? (b as unknown as Good) : null;
}

/** What keeps a good out of the shop: field and words. */
export function hitches(
  g: Good,
  photos: readonly (Measured & { bytes: number })[],
  switches: Switches,
  sold = 0,
): Record<string, string> {
  const found: Record<string, string> = {};
  const chars = (t: string) => [...new Intl.Segmenter().segment(t)].length;
  if (g.title.trim() === '' || chars(g.title) > 140) found.title = 'A title has 1 to 140 characters.';
  else if (/<[a-z!/][^>]*>/i.test(g.title)) found.title = 'A title has no markup.';
  if (chars(g.text) > 10_000) found.text = 'A text has up to 10000 characters.';
  else if (/<\/?[a-z!][^>]*>/i.test(g.text.replace(/<(?:p|\/p|br|br \/|ul|\/ul|li|\/li|b|\/b)>/g, '')))
    found.text = 'Only p, br, ul, li and b.';
  if (g.cents > 5_000_000) found.cents = 'Up to 50000.00.';
  if (!SHEET.categories.some((s) => s.id === g.section)) found.section = 'There is no such section.';
  if (!SHEET.conditions.some((c) => c.code === g.condition)) found.condition = 'There is no such condition.';
  const most = picturesToday(20, switches);
  if (photos.length < 1 || photos.length > most) found.photos = `1 to ${most} photos.`;
  else if (photos.some((p) => Math.max(p.width, p.height) < 400))
    found.photos = 'Photos of at least 400 pixels.';
  else if (photos.some((p) => p.bytes > 6_000_000)) found.photos = 'Photos of up to 6 MB.';
  if (switches.asksOrigin && g.origin.trim() === '') found.origin = 'Where was it made?';
  else if (g.origin.length > 40) found.origin = 'Up to 40 characters.';
  if (g.stock < 1 || g.stock - sold > 9_999) found.stock = '1 to 9999 to sell.';
  return found;
}
