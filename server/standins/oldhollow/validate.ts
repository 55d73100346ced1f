import { SHEET } from './sheet';
import { isFields } from '../kit/body';
import type { Switches } from '../kit/faults';
import type { Measured } from '../kit/pictures';
import { picturesToday } from '../kit/service';

/** What a seller brings. */
export interface Piece {
  name: string;
  account: string;
  tags: string[];
  room: string;
  state: string;
  cents: number;
  postCents: number;
  decade: string;
  maker: string;
  madeOf: string;
  origin: string;
  images: string[];
  corner: string;
  certificate: string;
  auction: Auction | null;
  dealings?: Dealings;
}

/** How the seller deals: sending, taking back, being paid. */
export interface Dealings {
  /** Days; null: not said. */
  sendsWithin: number | null;
  takesBackWithin: number;
  backAtCostOf: string;
  overseas: { to: string; cents: number }[];
  paidBy: string[];
  taxPermille: number;
  mayFetch: boolean;
}

export interface Auction {
  openCents: number;
  /** Ends it at once; null for none. */
  outrightCents: number | null;
  days: number;
  /** How often it is put up again when nobody bids. */
  again: number;
  /** What it costs, fixed, once that is over; null: it is taken away. */
  becomesCents: number | null;
}

export interface Complaint {
  about: string;
  words: string;
}

const graphemes = (text: string) => [...new Intl.Segmenter().segment(text)].length;
const isText = (v: unknown, most: number): v is string => typeof v === 'string' && v.length <= most;
const isCents = (v: unknown): v is number => typeof v === 'number' && Number.isInteger(v) && v >= 0;

export function readPiece(body: unknown): Piece | null {
  if (!isFields(body)) return null;
  const b = body;
  const words = [
    'name',
    'account',
    'room',
    'state',
    'decade',
    'maker',
    'madeOf',
    'origin',
    'corner',
    'certificate',
  ];
  if (!words.every((key) => isText(b[key], 40_000))) return null;
  if (!isCents(b.cents) || !isCents(b.postCents)) return null;
  for (const list of [b.tags, b.images])
    if (!Array.isArray(list) || list.length > 60 || !list.every((x) => isText(x, 200))) return null;
  if (b.auction !== null) {
    const a = b.auction;
    if (!isFields(a) || !isCents(a.openCents) || !Number.isInteger(a.days) || !isCents(a.again)) return null;
    if (!(a.outrightCents === null || isCents(a.outrightCents))) return null;
    if (!(a.becomesCents === null || isCents(a.becomesCents))) return null;
  }
  if (b.dealings !== undefined && !isDealings(b.dealings)) return null;
  // Every field of it was looked at above.
  return b as unknown as Piece;
}

function isDealings(value: unknown): value is Dealings {
  if (!isFields(value)) return false;
  const d = value;
  return (
    (d.sendsWithin === null || isCents(d.sendsWithin)) &&
    isCents(d.takesBackWithin) &&
    isText(d.backAtCostOf, 20) &&
    isCents(d.taxPermille) &&
    typeof d.mayFetch === 'boolean' &&
    Array.isArray(d.overseas) &&
    d.overseas.length <= 5 &&
    d.overseas.every((o: Record<string, unknown>) => isText(o.to, 20) && isCents(o.cents)) &&
    Array.isArray(d.paidBy) &&
    d.paidBy.length <= 5 &&
    d.paidBy.every((w) => isText(w, 20))
  );
}

/** Everything Oldhollow has against a piece. */
export function complaintsOf(
  p: Piece,
  images: readonly (Measured & { bytes: number })[],
  switches: Switches,
): Complaint[] {
  const found: Complaint[] = [];
  const say = (about: string, words: string) => found.push({ about, words });

  const name = graphemes(p.name.trim());
  if (name < 1 || graphemes(p.name) > 110) say('name', 'A name has 1 to 110 characters.');
  const account = graphemes(p.account);
  if (account < 40) say('account', 'Tell at least 40 characters about it.');
  if (account > 6_000) say('account', 'An account has up to 6000 characters.');
  if (p.tags.length > 9) say('tags', 'Nine tags at the most.');
  for (const tag of p.tags)
    if (graphemes(tag) > 24 || tag.trim() === '')
      say('tags', `The tag “${tag}” has more than 24 characters, or none.`);

  if (!SHEET.categories.some((r) => r.id === p.room)) say('room', 'We have no such room.');
  if (!SHEET.conditions.some((s) => s.code === p.state)) say('state', 'We have no such state.');
  const decades: readonly string[] = SHEET.categories[0]?.specifics[0]?.choices ?? [];
  if (p.decade === '') say('decade', 'When was it made? Items here are at least 25 years old.');
  else if (!decades.includes(p.decade)) say('decade', 'We have no such decade.');
  for (const [about, text] of [
    ['maker', [p.maker]],
    ['madeOf', p.madeOf.split('|')],
  ] as const)
    if (text.some((one) => one.trim().length > 60)) say(about, 'Up to 60 characters.');
  if (p.madeOf.split('|').length > 4) say('madeOf', 'Made of four things at the most.');
  if (switches.asksOrigin && p.origin.trim() === '') say('origin', 'Where was it made?');
  if (p.origin.length > 40) say('origin', 'Up to 40 characters.');

  if (p.certificate !== '' && !/^\d{1,9}([.,]\d{1,2})?$/.test(p.certificate))
    say('certificate', 'A certificate’s number is made of figures.');

  const most = picturesToday(10, switches);
  if (images.length < 2 || images.length > most) say('images', `From 2 to ${most} images.`);
  images.forEach((image, i) => {
    if (Math.max(image.width, image.height) < 800) say('images', `Image ${i + 1} is under 800 pixels.`);
    if (image.bytes > 5_000_000) say('images', `Image ${i + 1} is over 5 MB.`);
  });

  if (p.auction) complaintsOfAuction(p.auction, say);
  else if (p.cents < 300 || p.cents > 2_000_000) say('price', 'Prices go from 3.00 to 20000.00.');
  if (p.postCents > 50_000) say('price', 'Postage goes up to 500.00.');

  if (p.dealings) {
    const { sendsWithin, takesBackWithin, backAtCostOf, overseas, paidBy, taxPermille } = p.dealings;
    if (sendsWithin !== null && sendsWithin > 20) say('dealings', 'Send it within 20 days.');
    if (![0, 7, 14, 30].includes(takesBackWithin))
      say('dealings', 'Take it back within 7, 14 or 30 days, or not at all.');
    if (!['buyer', 'seller'].includes(backAtCostOf))
      say('dealings', 'Back at the buyer’s cost or the seller’s.');
    if (overseas.some((o) => !['near', 'far'].includes(o.to)))
      say('dealings', 'We know no such part of the world.');
    if (overseas.some((o) => o.cents > 50_000)) say('dealings', 'Postage goes up to 500.00.');
    if (paidBy.some((way) => !['marketplace', 'transfer', 'cash'].includes(way)))
      say('dealings', 'We know no such way to pay.');
    if (taxPermille > 500) say('dealings', 'No tax is over half.');
  }

  for (const [about, words] of [
    ['name', p.name],
    ['account', p.account],
  ] as const) {
    if (/<[a-z!/][^>]*>/i.test(words)) say(about, 'Plain words only.');
    if (/(?<![\p{L}\p{N}])reproduction(?![\p{L}\p{N}])/iu.test(words))
      say(about, 'Only the real old item: no reproduction.');
    if (/\S+@\S+\.\S{2,}|https?:\/\/|www\./i.test(words)) say(about, 'No addresses.');
  }
  return found;
}

function complaintsOfAuction(a: Auction, say: (about: string, words: string) => unknown): void {
  if (a.openCents < 300 || a.openCents > 2_000_000)
    say('auction.open', 'An auction opens from 3.00 to 20000.00.');
  if (a.days < 1 || a.days > 10) say('auction.days', 'An auction runs 1 to 10 days.');
  if (a.again > 3) say('auction.again', 'Put up again 3 times at the most.');
  if (a.outrightCents !== null && a.outrightCents <= a.openCents)
    say('auction.outright', 'The outright price is above the opening price.');
  if (a.becomesCents !== null && (a.becomesCents < 300 || a.becomesCents > 2_000_000))
    say('auction.becomes', 'Prices go from 3.00 to 20000.00.');
}
