import { FOR_WHOM, HUES, SHEET } from './sheet';
import { fieldsOf } from '../kit/body';
import { NO_FAULTS, type Switches } from '../kit/faults';
import type { Measured } from '../kit/pictures';
import { picturesToday } from '../kit/service';

/** A piece as the seller describes it. */
export interface Piece {
  ref: string;
  name: string;
  story: string;
  price: string;
  shelf: string;
  worn: string;
  department: string;
  size: string;
  colour: string;
  label: string;
  cloth: string;
  origin: string;
}

export type Objection = [field: keyof Piece | 'photos', words: string];

const KEYS = [
  'ref',
  'name',
  'story',
  'price',
  'shelf',
  'worn',
  'department',
  'size',
  'colour',
  'label',
  'cloth',
  'origin',
] as const;

export function readPiece(text: unknown): Piece | null {
  try {
    const value = fieldsOf(JSON.parse(String(text)));
    const fits = KEYS.every((k) => typeof value[k] === 'string' && String(value[k]).length < 20_000);
    // Every field of it was just looked at.
    return fits ? (value as unknown as Piece) : null;
  } catch {
    return null;
  }
}

const letters = (text: string) => Array.from(new Intl.Segmenter().segment(text)).length;

/** Price in cents; NaN when it is not written like 12.34. */
export function cents(price: string): number {
  return /^\d{1,6}\.\d\d$/.test(price) ? Number(price.replace('.', '')) : NaN;
}

/** What Threadwick objects to in a piece. */
export function objections(
  piece: Piece,
  photos: (Measured & { bytes: number })[],
  switches: Switches = NO_FAULTS,
): Objection[] {
  const no: Objection[] = [];
  const long = letters(piece.name.trim());
  if (long < 1) no.push(['name', 'Give it a name.']);
  if (long > 52) no.push(['name', 'A name has up to 52 letters.']);
  const story = letters(piece.story);
  if (story < 10) no.push(['story', 'Tell us a little more.']);
  if (story > 480) no.push(['story', 'A story has up to 480 letters.']);
  const price = cents(piece.price);
  if (!(price >= 200 && price <= 200_000)) no.push(['price', 'From 2.00 to 2000.00.']);
  if (!SHEET.categories.some((s) => s.id === piece.shelf)) no.push(['shelf', 'We have no such shelf.']);
  if (!['1', '2', '3', '4'].includes(piece.worn)) no.push(['worn', 'Too worn for us, or not said.']);
  if (!FOR_WHOM.includes(piece.department)) no.push(['department', 'Say which department.']);
  if (piece.size.trim() === '' || piece.size.length > 20) no.push(['size', 'Say which size, in 20 letters.']);
  if (!HUES.includes(piece.colour)) no.push(['colour', 'Choose one of our 18 colours.']);
  if (piece.label.length > 40) no.push(['label', 'Up to 40 letters.']);
  if (piece.cloth.length > 40) no.push(['cloth', 'Up to 40 letters.']);
  const most = picturesToday(8, switches);
  if (photos.length < Math.min(4, most) || photos.length > most)
    no.push(['photos', `Four to ${most} photos.`]);
  if (switches.asksOrigin && piece.origin.trim() === '') no.push(['origin', 'Where was it made?']);
  if (piece.origin.length > 40) no.push(['origin', 'Up to 40 letters.']);
  for (const p of photos) {
    if (Math.abs(p.width - p.height) > 2) no.push(['photos', 'Photos are square here.']);
    if (p.width < 600) no.push(['photos', 'Photos are at least 600 pixels wide.']);
    if (p.bytes > 2_500_000) no.push(['photos', 'A photo is over 2.5 MB.']);
  }
  const topics = piece.story.split(/\s+/).filter((word) => word.startsWith('~') && word.length > 1);
  if (topics.length > 6) no.push(['story', 'Up to six topics.']);
  if (topics.some((word) => letters(word) > 25)) no.push(['story', 'A topic has up to 24 letters.']);
  for (const part of ['name', 'story'] as const) {
    const words = piece[part];
    if (/<[a-z!/][^>]*>/i.test(words)) no.push([part, 'Plain words only.']);
    if (/\S@\S+\.\S/.test(words) || /https?:|www\./i.test(words)) no.push([part, 'No addresses.']);
    if (/(^|[^\p{L}\p{N}])(inspired[^\p{L}\p{N}]+by|dupe)($|[^\p{L}\p{N}])/iu.test(words))
      no.push([part, 'Say what it is, not what it is like.']);
  }
  return no;
}

/** Threadwick's part of a sale, in cents: 2.40 up to 18.00, 17.5 % of everything above. */
export function part(price: number): number {
  return price <= 1_800 ? 240 : Math.floor((price * 175 + 500) / 1_000);
}
