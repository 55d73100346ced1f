import { SHEET } from './sheet';
import { isFields } from '../kit/body';
import type { Switches } from '../kit/faults';
import type { Measured } from '../kit/pictures';
import { picturesToday } from '../kit/service';

/** Ways of paying at the till. */
export const PAY_WAYS = ['card', 'transfer', 'cash'] as const;
export type PayWay = (typeof PAY_WAYS)[number];

/** One of the pieces a good may be bought as. */
export interface Variant {
  code: string;
  values: string[];
  cents: number;
  /** How many there are, those that were sold counted in. */
  stock: number;
  /** Which of the photos show it, counted from 0. */
  shownIn?: number[];
}

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
  /** Sold in variants, each with a stock and a price of its own; absent: all of it is alike. */
  variants?: { names: string[]; pieces: Variant[] };
  /** Postage of a further good in the same parcel; absent: each pays its own. */
  furtherCents?: number;
  /** Postage beyond home, by zone; a zone that is not there is not sent to. */
  abroadCents?: { zone: string; cents: number }[];
  /** How it may be paid; absent: by card. */
  paidBy?: PayWay[];
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
    (b.variants === undefined || isVariants(b.variants)) &&
    (b.abroadCents === undefined || isAbroad(b.abroadCents, isCount)) &&
    (b.paidBy === undefined || isPaidBy(b.paidBy)) &&
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

function isAbroad(v: unknown, isCount: (n: unknown) => boolean): boolean {
  return (
    Array.isArray(v) &&
    v.length <= 20 &&
    v.every((z: unknown) => isFields(z) && isText(z.zone, 40) && isCount(z.cents))
  );
}

function isPaidBy(v: unknown): boolean {
  return Array.isArray(v) && v.length <= 3 && v.every((way) => PAY_WAYS.some((w) => w === way));
}

function isVariants(v: unknown): boolean {
  if (!isFields(v)) return false;
  const texts = (list: unknown) =>
    Array.isArray(list) && list.length <= 10 && list.every((t) => isText(t, 400));
  return (
    texts(v.names) &&
    Array.isArray(v.pieces) &&
    v.pieces.length <= 1_000 &&
    v.pieces.every(
      (p: Record<string, unknown>) =>
        isText(p.code, 120) &&
        texts(p.values) &&
        Number.isInteger(p.cents) &&
        Number.isInteger(p.stock) &&
        (p.shownIn === undefined || (Array.isArray(p.shownIn) && p.shownIn.every(Number.isInteger))),
    )
  );
}

/** What keeps variants out of the shop. */
function variantHitch({ variants, photos }: Good): string | null {
  if (!variants) return null;
  const { names, pieces } = variants;
  if (names.length < 1 || names.length > 2) return 'One or two things to choose.';
  if (pieces.length < 2 || pieces.length > 100) return '2 to 100 variants.';
  if ([...names, ...pieces.flatMap((p) => p.values)].some((w) => w.trim() === '' || w.length > 50))
    return 'Names and values have 1 to 50 characters.';
  if (pieces.some((p) => p.values.length !== names.length)) return 'Each variant says which of each it is.';
  if (pieces.some((p) => p.cents < 0 || p.cents > 5_000_000)) return 'Variants cost up to 50000.00.';
  if (pieces.some((p) => p.stock < 0 || p.stock > 9_999)) return 'Up to 9999 of a variant.';
  if (pieces.every((p) => p.stock === 0)) return 'There is nothing to sell.';
  if (pieces.some((p) => p.shownIn?.some((i) => i < 0 || i >= photos.length)))
    return 'There is no such photo.';
  return null;
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
  const variant = variantHitch(g);
  if (variant !== null) found.variants = variant;
  else if (!g.variants && (g.stock < 1 || g.stock - sold > 9_999)) found.stock = '1 to 9999 to sell.';
  return found;
}
