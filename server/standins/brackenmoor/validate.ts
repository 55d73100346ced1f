import { CATEGORIES, SHEET } from './sheet';
import { isFields } from '../kit/body';
import { NO_FAULTS, type Switches } from '../kit/faults';
import type { Measured } from '../kit/pictures';
import { picturesToday } from '../kit/service';

/** What a seller sends. */
export interface Entry {
  reference: string;
  headline: string;
  text: string;
  askingCents: number;
  postageCents: number;
  category: string;
  condition: string;
  attributes: Record<string, string>;
  pictures: string[];
  /** Words to be found by here, which nobody reads. */
  findWords?: string[];
  /** A short film; null for none. */
  clip?: string | null;
  /** Paid for: a better place, a second line under the headline, a second category. */
  promotionPercent?: number;
  secondLine?: string;
  secondCategory?: string;
  /** Days until it is sent and in which it may come back. */
  sentWithin?: number;
  backWithin?: number;
  backPaidBy?: 'buyer' | 'seller';
  /** Postage to other zones; what a further piece in the same parcel adds. */
  abroad?: { zone: string; cents: number }[];
  furtherCents?: number;
  taxPercent?: number;
  /** May be fetched in person. */
  fetch?: boolean;
  /** Several to choose from; how many of each there are is counted from here on. */
  choices?: Choice;
  /** Several just alike, those that were sold here counted in; absent: one. */
  quantity?: number;
}

export interface Choice {
  names: string[];
  /** `shownIn`: which of the pictures show the piece, counted from 0. */
  pieces: { code: string; values: string[]; cents: number; stock: number; shownIn?: number[] }[];
}

export interface Problem {
  code: string;
  field: string;
  message: string;
}

/** Where it may be sent beyond home. */
const ZONES = ['near', 'far'];

const isText = (value: unknown, most: number): value is string =>
  typeof value === 'string' && value.length <= most;

/** Reads a seller's entry; null when it is not one at all. */
export function readEntry(body: unknown): Entry | null {
  if (!isFields(body)) return null;
  const b = body;
  const attributes = b.attributes;
  if (
    !isText(b.reference, 120) ||
    !isText(b.headline, 1_000) ||
    !isText(b.text, 20_000) ||
    !isText(b.category, 100) ||
    !isText(b.condition, 60) ||
    !Number.isInteger(b.askingCents) ||
    !Number.isInteger(b.postageCents) ||
    typeof attributes !== 'object' ||
    attributes === null ||
    !Object.values(attributes).every((v) => isText(v, 1_000)) ||
    !Array.isArray(b.pictures) ||
    b.pictures.length > 100 ||
    !b.pictures.every((p) => isText(p, 120)) ||
    !(
      b.findWords === undefined ||
      (Array.isArray(b.findWords) && b.findWords.every((w) => isText(w, 400)))
    ) ||
    !(b.clip === undefined || b.clip === null || isText(b.clip, 120)) ||
    ![b.promotionPercent, b.sentWithin, b.backWithin, b.furtherCents, b.taxPercent, b.quantity].every(
      (n) => n === undefined || typeof n === 'number',
    ) ||
    !(b.fetch === undefined || typeof b.fetch === 'boolean') ||
    !(b.abroad === undefined || isAbroad(b.abroad)) ||
    ![b.secondLine, b.secondCategory, b.backPaidBy].every((t) => t === undefined || isText(t, 1_000))
  )
    return null;
  if (b.choices !== undefined && !isChoice(b.choices)) return null;
  // Every field of it was looked at above.
  return b as unknown as Entry;
}

function isAbroad(value: unknown): value is NonNullable<Entry['abroad']> {
  return (
    Array.isArray(value) &&
    value.length <= ZONES.length &&
    value.every((v: Record<string, unknown>) => isText(v.zone, 20) && Number.isInteger(v.cents))
  );
}

function isChoice(value: unknown): value is Choice {
  if (!isFields(value)) return false;
  const { names, pieces } = value;
  const texts = (list: unknown) =>
    Array.isArray(list) && list.length <= 10 && list.every((t) => isText(t, 400));
  return (
    texts(names) &&
    Array.isArray(pieces) &&
    pieces.length <= 1_000 &&
    pieces.every(
      (p: Record<string, unknown>) =>
        isText(p.code, 120) &&
        texts(p.values) &&
        Number.isInteger(p.cents) &&
        Number.isInteger(p.stock) &&
        (p.shownIn === undefined || (Array.isArray(p.shownIn) && p.shownIn.every(Number.isInteger))),
    )
  );
}

/** Whether two entries offer the same item at the same price: we show only one. */
export function areTwins(a: Entry, b: Entry): boolean {
  const plain = (e: Entry) => e.headline.trim().toLowerCase();
  return plain(a) === plain(b) && a.askingCents === b.askingCents;
}

type Bad = (code: string, field: string, message: string) => void;

/** Everything wrong with an entry, by Brackenmoor's rules. @param gone how many of it were sold so far */
export function problemsOf(
  entry: Entry,
  pictures: (Measured & { bytes: number })[],
  switches: Switches = NO_FAULTS,
  gone = 0,
): Problem[] {
  const found: Problem[] = [];
  const bad: Bad = (code, field, message) => found.push({ code, field, message });
  wordsAndPrices(entry, bad);
  picturesOf(pictures, switches, bad);
  attributes(entry, switches, bad);
  findWords(entry, bad);
  extras(entry, bad);
  terms(entry, bad);
  choices(entry, gone, bad);
  markup(entry, bad);
  return found;
}

function wordsAndPrices(entry: Entry, bad: Bad): void {
  if (entry.headline.trim().length === 0) bad('HL-1', 'headline', 'A headline is needed.');
  if (entry.headline.length > 80) bad('HL-2', 'headline', 'The headline is longer than 80.');
  if (entry.text.length < 20) bad('TX-1', 'text', 'Please say a little more, at least 20 characters.');
  if (entry.text.length > 4_000) bad('TX-2', 'text', 'The text is longer than 4000.');
  if (entry.askingCents < 100 || entry.askingCents > 2_500_000)
    bad('PR-1', 'askingCents', 'Prices go from 1.00 to 25000.00.');
  if (entry.postageCents < 0 || entry.postageCents > 20_000)
    bad('PO-1', 'postageCents', 'Postage goes up to 200.00.');
}

function picturesOf(pictures: (Measured & { bytes: number })[], switches: Switches, bad: Bad): void {
  if (pictures.length === 0) bad('PH-1', 'pictures', 'At least one picture.');
  const most = picturesToday(12, switches);
  if (pictures.length > most) bad('PH-2', 'pictures', `${most} pictures at the most.`);
  pictures.forEach((p, i) => {
    if (Math.max(p.width, p.height) < 500) bad('PH-3', 'pictures', `Picture ${i + 1} is under 500 pixels.`);
    if (p.bytes > 4_000_000) bad('PH-4', 'pictures', `Picture ${i + 1} is over 4 MB.`);
  });
}

/** Up to eight words to be found by, none longer than 30 characters as a person counts them. */
function findWords({ findWords: words = [] }: Entry, bad: Bad): void {
  if (words.length > 8) bad('FW-1', 'findWords', 'Eight words to be found by at the most.');
  for (const word of words)
    if (word.trim() === '' || Array.from(new Intl.Segmenter().segment(word)).length > 30)
      bad('FW-2', 'findWords', `“${word}” is empty or longer than 30.`);
}

function attributes(entry: Entry, switches: Switches, bad: Bad): void {
  const category = CATEGORIES.find((c) => c.id === entry.category);
  if (!category || !category.leaf) bad('CA-1', 'category', 'There is no such category.');
  for (const wanted of category?.specifics ?? []) {
    const value = (entry.attributes[wanted.id] ?? '').trim();
    if (value === '') {
      if (wanted.need === 'required') bad('AT-1', `attributes.${wanted.id}`, `${wanted.label} is missing.`);
    } else if (wanted.own) {
      const several = value.split('|').map((one) => one.trim());
      if (several.length > 3) bad('AT-6', `attributes.${wanted.id}`, `Three of ${wanted.label} at the most.`);
      if (several.some((one) => one.length > 65 || one === ''))
        bad('AT-3', `attributes.${wanted.id}`, `${wanted.label} is longer than 65, or empty.`);
    } else if (wanted.choices) {
      if (!wanted.choices.includes(value))
        bad('AT-2', `attributes.${wanted.id}`, `${wanted.label} takes a value of our list.`);
    } else if (value.length > 65)
      bad('AT-3', `attributes.${wanted.id}`, `${wanted.label} is longer than 65.`);
  }
  const origin = (entry.attributes.origin ?? '').trim();
  if (switches.asksOrigin && origin === '') bad('AT-4', 'attributes.origin', 'Where was it made?');
  if (origin.length > 40) bad('AT-5', 'attributes.origin', 'Where it was made is longer than 40.');
  if (!SHEET.conditions.some((c) => c.code === entry.condition))
    bad('CO-1', 'condition', 'We have no such condition.');
}

/** What is paid for beyond selling. */
function extras({ promotionPercent: percent, secondLine, secondCategory }: Entry, bad: Bad): void {
  if (percent !== undefined && !(percent >= 2 && percent <= 20))
    bad('PD-1', 'promotionPercent', 'From 2 to 20 per cent.');
  if (secondLine !== undefined && (secondLine.trim() === '' || secondLine.length > 80))
    bad('PD-2', 'secondLine', 'A second line has 1 to 80 characters.');
  if (secondCategory !== undefined && !CATEGORIES.some((c) => c.leaf && c.id === secondCategory))
    bad('PD-3', 'secondCategory', 'There is no such category.');
}

function terms(entry: Entry, bad: Bad): void {
  const { sentWithin, backWithin, backPaidBy, abroad = [], furtherCents = 0, taxPercent = 0 } = entry;
  if (sentWithin !== undefined && !(sentWithin >= 0 && sentWithin <= 10))
    bad('TE-1', 'sentWithin', 'Sent within 10 days.');
  if (backWithin !== undefined && ![0, 14, 30].includes(backWithin))
    bad('TE-2', 'backWithin', 'Back within 14 or 30 days, or not at all.');

  if (backPaidBy !== undefined && backPaidBy !== 'buyer' && backPaidBy !== 'seller')
    bad('TE-3', 'backPaidBy', 'Sending back is paid by the buyer or the seller.');
  for (const { zone, cents } of abroad) {
    if (!ZONES.includes(zone)) bad('TE-4', 'abroad', 'We do not send there.');
    if (cents < 0 || cents > 20_000) bad('PO-2', 'abroad', 'Postage goes up to 200.00.');
  }
  if (furtherCents < 0 || furtherCents > 20_000) bad('PO-3', 'furtherCents', 'Postage goes up to 200.00.');
  if (!(taxPercent >= 0 && taxPercent <= 50)) bad('TE-5', 'taxPercent', 'From 0 to 50 per cent.');
}

function choices(entry: Entry, gone: number, bad: Bad): void {
  const { quantity } = entry;
  if (quantity !== undefined && !(Number.isInteger(quantity) && quantity >= 1 && quantity - gone <= 999))
    bad('QN-1', 'quantity', '1 to 999 of it.');
  if (quantity !== undefined && entry.choices) bad('QN-2', 'quantity', 'Choices have a stock of their own.');
  if (!entry.choices) return;
  const { names, pieces } = entry.choices;
  if (names.length < 1 || names.length > 2) bad('CH-1', 'choices', 'One or two options.');
  if (pieces.length < 2 || pieces.length > 60) bad('CH-2', 'choices', '2 to 60 pieces to choose from.');
  if ([...names, ...pieces.flatMap((p) => p.values)].some((w) => w.trim() === '' || w.length > 40))
    bad('CH-3', 'choices', 'Names and values have 1 to 40 characters.');
  if (pieces.some((p) => p.cents < 100 || p.cents > 2_500_000))
    bad('CH-4', 'choices', 'Prices of pieces go from 1.00 to 25000.00.');
  if (pieces.some((p) => p.stock < 0 || p.stock > 999) || pieces.every((p) => p.stock === 0))
    bad('CH-5', 'choices', 'Up to 999 of a piece, and one of something at least.');
  if (pieces.some((p) => p.shownIn?.some((i) => i < 0 || i >= entry.pictures.length)))
    bad('CH-7', 'choices', 'A piece is shown in one of the pictures.');
  if (pieces.some((p) => p.values.length !== names.length))
    bad('CH-6', 'choices', 'Every piece says which of each choice it is.');
}

function markup(entry: Entry, bad: Bad): void {
  for (const field of ['headline', 'text'] as const) {
    const words = entry[field];
    const bare = field === 'text' ? words.replace(/<(?:p|\/p|br|br \/|ul|\/ul|li|\/li|b|\/b)>/g, '') : words;
    if (/<[a-z!/][^>]*>/i.test(bare)) bad('WD-1', field, 'We don’t take that markup.');
    const seen = field === 'text' ? asSeen(words) : words;
    if (/\S+@\S+\.\S{2,}/.test(seen)) bad('WD-2', field, 'No addresses in the words.');
    if (/https?:\/\/|www\./i.test(seen)) bad('WD-3', field, 'No links in the words.');
    const padded = ` ${seen.replace(/[^\p{L}\p{N}]+/gu, ' ').toLowerCase()} `;
    for (const phrase of ['replica', 'best price', 'see shop'])
      if (padded.includes(` ${phrase} `)) bad('WD-4', field, `We don't take “${phrase}”.`);
  }
}

/** Markup as a buyer sees it: what stands in two paragraphs or lines does not stand together. */
function asSeen(markup: string): string {
  return markup
    .replace(/<[^>]*>/g, ' ')
    .replace(/&(?:#(\d{1,6})|(lt|gt|quot|apos|nbsp|amp));/g, (_, number?: string, name?: string) =>
      name ? (SIGNS[name] ?? '') : String.fromCodePoint(Number(number)),
    );
}
const SIGNS: Readonly<Record<string, string>> = {
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  amp: '&',
};

/** What a seller may pay for beyond selling. */
export interface Paid {
  promotionPercent?: number;
  secondLine?: boolean;
  secondCategory?: boolean;
}

/** What Brackenmoor keeps of an order: fees and the tax on them, in cents. */
export function feesFor(
  category: string,
  askingCents: number,
  postageCents: number,
  paid: Paid = {},
): number {
  const total = askingCents + postageCents;
  const top = category.split('.')[0];
  const [rate, cap] =
    top === 'wear' ? [11.5, 6_000] : top === 'house' || top === 'shelf' ? [9.8, 5_000] : [7.4, 4_500];
  const selling = Math.min(cap, Math.round(((total * rate) / 100) * 1e6) / 1e6);
  const rounded = Math.floor(selling + 0.5);
  const percent = paid.promotionPercent ? Math.min(20, Math.max(2, paid.promotionPercent)) : 0;
  const place = Math.floor((askingCents * percent) / 100 + 0.5);
  const before = rounded + 35 + place + (paid.secondLine ? 120 : 0) + (paid.secondCategory ? 80 : 0);
  return before + Math.floor((before * 20) / 100 + 0.5);
}
