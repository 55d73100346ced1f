import { saidIn, type FileWays, type RawCell } from './said';
import { bareDigits, readBarcode } from '../identity/gtin';
import type { StockColumn, TableWays } from './stock/column';
import { parseMoney } from '../money/money';

/** A column of a file, and what it is taken for. */
export interface Match {
  heading: string;
  /** The first few different things that stand in it. */
  samples: string[];
  /** The id of a column of ours, `times`: how many copies, or null: left. */
  field: string | null;
  /** How it was found. */
  by: 'heading' | 'content' | 'remembered' | 'person' | null;
}

/**
 * How columns of ours are headed elsewhere, in English and two more tongues that sellers write in. Common
 * practice.
 */
const HEADED: Readonly<Record<string, string>> = {
  code:
    'sku, code, item code, item no, item number, item id, item ref, our sku, our code, my sku, stock no, ' +
    'stock number, stock code, stock id, inventory no, inventory number, inventory code, product code, ' +
    'product id, reference, ref, artikelnummer, artikelnr, lagernummer, référence',
  'fact:barcode':
    'barcode, barcodes, bar code, ean, eans, ean13, ean 13, gtin, gtins, gtin13, isbn, isbns, isbn10, ' +
    'isbn13, isbn 10, isbn 13, upc, upcs, upc a, article number, strichcode, code barres',
  title:
    'title, name, item, item name, item title, product, product name, listing title, heading, what, titel, ' +
    'bezeichnung, artikel, titre, nom',
  description:
    'description, descr, desc, text, details, body, item description, long description, beschreibung, texte',
  kind: 'kind, type, category, product type, item type, department, art, kategorie, catégorie',
  use: 'condition, grade, state, use, wear, cond, zustand, état',
  conditionNote:
    'condition note, condition notes, condition description, condition details, condition remarks, ' +
    'zustandsbeschreibung',
  price:
    'price, asking price, asking, ask, list price, listing price, sell price, selling price, sale price, ' +
    'sell at, retail price, rrp, unit price, preis, verkaufspreis, vk, prix, prix de vente',
  cost:
    'cost, costs, cost each, unit cost, cost price, cost of goods, cogs, paid, price paid, bought for, ' +
    'bought at, purchase price, buying price, buy price, einkaufspreis, ek, einkauf, prix d achat',
  weight: 'weight, weight packed, packed weight, shipping weight, parcel weight, item weight, gewicht, poids',
  spot:
    'spot, location, storage, storage location, bin, bin location, shelf, place, where, box, lagerplatz, ' +
    'lagerort, regal, emplacement',
  groups: 'group, groups, collection, collections, gruppe, groupe',
  haul: 'haul, lot, batch, purchase, sourcing trip, einkaufsfahrt',
  owner: 'consignor, owner, seller, on behalf of, kommittent, besitzer, déposant',
  pictures:
    'picture, pictures, image, images, photo, photos, picture file, picture files, image file, ' +
    'image files, photo file, photo files, file name, file names, bild, bilder, fotos',
  times:
    'quantity, qty, count, copies, how many, number, pieces, pcs, stock, in stock, amount, n, menge, ' +
    'anzahl, stück, quantité',
  'fact:brand':
    'brand, brand name, make, maker, manufacturer, label, designer, publisher, marke, hersteller, marque',
  'fact:colour': 'colour, color, colours, colors, main colour, main color, farbe, couleur',
  'fact:size': 'size, size on the label, label size, tagged size, größe, groesse, taille, pointure',
  'fact:material': 'material, materials, fabric, cloth, composition, stoff, matière',
  'fact:author': 'author, authors, written by, autor, auteur',
  'fact:model': 'model, style, style name, modell, modèle',
};
const FIELD_OF = new Map(
  Object.entries(HEADED).flatMap(([field, names]) => names.split(', ').map((name) => [name, field] as const)),
);

/** A unit or currency in brackets, and a unit after a comma or stroke. */
const UNITS = 'cm|mm|m|in|inch|inches|g|kg|oz|lbs?';
const BESIDE = new RegExp(`\\((?:${UNITS}|[a-z]{3}|[€$£¥])\\)|[,/]\\s*(?:${UNITS})$`, 'giu');

/** How a heading is compared: small letters, signs and doubled spaces away. */
export function plainHeading(heading: string): string {
  return heading
    .toLocaleLowerCase('en')
    .replace(BESIDE, ' ')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

/** The unit that a heading says its figures are in; empty: none. */
export function unitIn(heading: string): string {
  const found = new RegExp(`(?:\\(|[,/]\\s*)(${UNITS})\\)?\\s*$`, 'iu').exec(heading);
  return found?.[1]?.toLowerCase() ?? '';
}

/** An ISO 4217 code that a heading says its amounts are in; empty: none. */
function currencyIn(heading: string): string {
  return /(?:\(|[,/]\s*|\s)([A-Z]{3})\)?\s*$/u.exec(heading)?.[1] ?? '';
}

/** What headings may say: those of our own columns, and common ones. */
export class Headings {
  private readonly own = new Map<string, string>();
  private readonly takers: ReadonlyMap<string, StockColumn>;

  constructor(
    private readonly columns: readonly StockColumn[],
    private readonly ways: TableWays,
  ) {
    this.takers = new Map(columns.map((c) => [c.id, c]));
    for (const c of columns) this.own.set(c.label.toLocaleLowerCase('en'), c.id);
    for (const c of columns) {
      const plain = plainHeading(c.label);
      if (!this.own.has(plain)) this.own.set(plain, c.id);
    }
    for (const kind of ways.kinds.all)
      for (const m of kind.measures)
        for (const name of m.alsoCalled ?? [])
          if (!this.own.has(plainHeading(name))) this.own.set(plainHeading(name), `measure:${m.id}`);
  }

  /** The column of ours that a heading names; null: none. */
  fieldOf(heading: string): string | null {
    // Files for machines are headed by ids, letter by letter.
    const exact = this.takers.has(heading) ? heading : this.own.get(heading.trim().toLocaleLowerCase('en'));
    const plain = plainHeading(heading);
    const found = exact ?? FIELD_OF.get(plain) ?? this.own.get(plain) ?? null;
    if (found === null || (found !== 'times' && !this.takers.has(found))) return null;
    // Amounts of another currency are no prices here.
    const currency = currencyIn(heading);
    const isAmount = this.takers.get(found)?.sort === 'amount';
    return isAmount && isCurrency(currency) && currency !== this.ways.currency ? null : found;
  }

  /** Whether a text is a heading we know: that is how a table's head is found. */
  isKnown(heading: string): boolean {
    return heading.length <= 80 && this.fieldOf(heading) !== null;
  }

  column(id: string): StockColumn | undefined {
    return this.takers.get(id);
  }
}

function isCurrency(code: string): boolean {
  return code !== '' && Intl.supportedValuesOf('currency').includes(code);
}

/** Different things shown of a column. */
const SAMPLES = 3;
/** Lines looked at. */
const LOOKED_AT = 200;

/**
 * What each column of a file is taken for: by its heading, else by what stands in it. No two for the same,
 * and none whose cells mostly can't be read as that.
 *
 * @param codes codes of the items there are, in small letters
 */
export function matchColumns(
  head: readonly string[],
  rows: readonly { cells: readonly RawCell[] }[],
  headings: Headings,
  ways: TableWays & FileWays,
  codes: ReadonlySet<string>,
): Match[] {
  const width = rows.reduce((most, { cells }) => Math.max(most, cells.length), head.length);
  const seen = rows.slice(0, LOOKED_AT);
  const taken = new Set<string>();
  const matches = Array.from({ length: width }, (_, i): Match => {
    const heading = head[i] ?? '';
    const cells = seen.map(({ cells: c }) => c[i] ?? null).filter((c) => c !== null && c !== '');
    const texts = cells.map((c) => saidIn(c, 'words', ways).trim());
    const samples = [...new Set(texts)].slice(0, SAMPLES).map((t) => t.slice(0, 80));
    const said = heading === '' ? null : headings.fieldOf(heading);
    // Whatever a column of barcodes is called, it is one.
    const named = said !== null && isBarcodes(texts) ? 'fact:barcode' : said;
    const field =
      named !== null && !taken.has(named) && isReadAs(named, cells, headings, ways) ? named : null;
    if (field !== null) taken.add(field);
    return { heading, samples, field, by: field === null ? null : 'heading' };
  });
  for (const [i, match] of matches.entries()) {
    if (match.field !== null) continue;
    const texts = seen.map(({ cells }) => saidIn(cells[i], 'words', ways).trim()).filter(Boolean);
    const field = fieldByContent(texts, ways, codes, match.heading !== '');
    if (field === null || taken.has(field)) continue;
    taken.add(field);
    match.field = field;
    match.by = 'content';
  }
  return matches;
}

/** Whether most of a column's cells can be read as a field that takes only some. */
function isReadAs(
  field: string,
  cells: readonly RawCell[],
  headings: Headings,
  ways: TableWays & FileWays,
): boolean {
  if (cells.length === 0) return true;
  const column = headings.column(field);
  const isFigure = field === 'times' || ['amount', 'length', 'weight', 'figure'].includes(column?.sort ?? '');
  if (!isFigure) return true;
  const figures = cells.filter((cell) => /\d/u.test(saidIn(cell, 'figure', ways)));
  return figures.length * 2 >= cells.length;
}

/** Whether half of these are barcodes: a slip or two among them still leaves them that. */
function isBarcodes(texts: readonly string[]): boolean {
  const found = texts.filter((t) => /^\d[\dX]{7,13}$/u.test(bareDigits(t)) && readBarcode(t).ok);
  return found.length > 0 && found.length * 2 >= texts.length;
}

/** What a column of such texts is, where no heading says; null: nobody knows. */
function fieldByContent(
  texts: readonly string[],
  ways: TableWays,
  codes: ReadonlySet<string>,
  hasHeading: boolean,
): string | null {
  if (texts.length === 0) return null;
  const most = (is: (text: string) => boolean) => texts.filter(is).length >= texts.length * 0.8;
  const names = new Set(ways.kinds.all.map((k) => k.name.toLocaleLowerCase('en')));
  if (isBarcodes(texts)) return 'fact:barcode';
  if (most((t) => codes.has(t.toLocaleLowerCase('en')))) return 'code';
  if (most((t) => names.has(t.toLocaleLowerCase('en')))) return 'kind';
  if (most((t) => /\.(?:jpe?g|png|webp|heic|gif)\b/iu.test(t))) return 'pictures';
  if (most((t) => /\p{Sc}|\b[A-Z]{3}\b/u.test(t) && parseMoney(t, ways.currency).ok)) return 'price';
  const words = texts.reduce((sum, t) => sum + t.split(/\s+/u).length, 0) / texts.length;
  const isPlain = most((t) => /\p{L}{3}/u.test(t)) && new Set(texts).size > texts.length / 2;
  if (isPlain && words >= 14) return 'description';
  // Under a heading that says something else a few words may be anything.
  return isPlain && words >= 3 && !hasHeading ? 'title' : null;
}

/** The columns once a person has said what one of them is; no two are taken for the same. */
export function takenFor<F>(fields: readonly (F | null)[], place: number, field: F | null): (F | null)[] {
  return fields.map((f, i) => (i === place ? field : f === field ? null : f));
}

/** What a set of headings is remembered by. */
export function headPrint(head: readonly string[]): string {
  return head.map(plainHeading).join('|').slice(0, 2_000);
}
