/** How the size on a label is counted. */
export const SIZE_SYSTEMS = ['Letters', 'UK', 'US', 'EU', 'DE', 'FR', 'IT'] as const;
export type SizeSystem = (typeof SIZE_SYSTEMS)[number];

/** Whose size it is; the trade counts them differently. */
export type Wearer = 'Women' | 'Men';

export interface SizeSuggestion {
  /** "EU 42", "chest 94 to 102 cm". */
  words: string;
  /** What it rests on, for a person to judge. */
  source: string;
}

export interface SizeAsked {
  worn: 'clothes' | 'footwear';
  wearer: Wearer;
  system: SizeSystem;
  /** As printed. */
  size: string;
}

const LASTS = 'by last length: Paris points of 2/3 cm, English sizes of 1/3 inch';
const TABLE = 'common practice of the trade';
const BODIES = 'body girths of EN 13402-3';

/**
 * What a label's size is about in other systems: only ever a suggestion, since makers differ.
 *
 * Footwear goes by the length of the last: Paris points are 2/3 cm each; an English adult size is three times
 * the last in inches less 25; the American one lies 1 (men) or 2 (women) above it by common practice. Women's
 * clothes go by the offsets the trade uses, men's by chest inches (European: plus 10). Letters give the body
 * girth they stand for.
 *
 * @returns nothing where the system does not say enough (women's "EU" is German or French), or the size is
 * not one
 * @see ISO/TS 19407 (footwear), EN 13402-3 (letters); both from memory
 */
export function sizesElsewhere({ worn, wearer, system, size }: SizeAsked): SizeSuggestion[] {
  const bare = size.trim().toUpperCase().replace(',', '.').replace('½', '.5');
  if (system === 'Letters') return worn === 'clothes' ? girthOf(wearer, bare) : [];
  const figure = /^\d{1,2}(?:\.5)?$/u.test(bare) ? Number(bare) : NaN;
  if (Number.isNaN(figure)) return [];
  if (worn === 'footwear') return footwear(wearer, system, figure);
  return wearer === 'Women' ? womensClothes(system, figure) : mensClothes(system, figure);
}

const MM_PER_PARIS_POINT = 20 / 3;
const MM_PER_BARLEYCORN = 25.4 / 3;
const AMERICAN_ABOVE_ENGLISH: Record<Wearer, number> = { Men: 1, Women: 2 };

function footwear(wearer: Wearer, system: SizeSystem, figure: number): SizeSuggestion[] {
  const american = AMERICAN_ABOVE_ENGLISH[wearer];
  const english = system === 'UK' ? figure : system === 'US' ? figure - american : null;
  const last =
    english !== null
      ? (english + 25) * MM_PER_BARLEYCORN
      : system === 'EU' || system === 'DE' || system === 'FR'
        ? figure * MM_PER_PARIS_POINT
        : null;
  // An adult's foot: beyond it the counting is another one.
  if (last === null || last < 215 || last > 360) return [];
  const uk = english ?? halves(last / MM_PER_BARLEYCORN - 25);
  const all: [string, number][] = [
    ['UK', uk],
    ['EU', halves(last / MM_PER_PARIS_POINT)],
    ['US', uk + american],
  ];
  const own = system === 'DE' || system === 'FR' ? 'EU' : system;
  return all.filter(([s]) => s !== own).map(([s, n]) => ({ words: `${s} ${n}`, source: LASTS }));
}

function halves(size: number): number {
  return Math.round(size * 2) / 2;
}

/** Women's clothes: how far each system lies above the British size. */
const ABOVE_BRITISH: Partial<Record<SizeSystem, number>> = { UK: 0, US: -4, DE: 26, FR: 28, IT: 32 };

function womensClothes(system: SizeSystem, figure: number): SizeSuggestion[] {
  const offset = ABOVE_BRITISH[system];
  if (offset === undefined) return [];
  const british = figure - offset;
  if (british < 4 || british > 32 || british % 2 !== 0) return [];
  return Object.entries(ABOVE_BRITISH)
    .filter(([other]) => other !== system)
    .map(([other, above]) => ({ words: `${other} ${british + above}`, source: TABLE }));
}

/** Men's jackets and coats: the chest in inches, or that plus 10. */
function mensClothes(system: SizeSystem, figure: number): SizeSuggestion[] {
  const inches = system === 'UK' || system === 'US' ? figure : figure - 10;
  if (inches < 32 || inches > 60) return [];
  const anglo = system === 'UK' || system === 'US';
  return [
    anglo ? { words: `EU ${inches + 10}`, source: TABLE } : { words: `UK and US ${inches}`, source: TABLE },
    { words: `chest about ${Math.round(inches * 2.54)} cm`, source: 'inches of 2.54 cm' },
  ];
}

/** From and to, in centimetres: bust for women, chest for men. */
const GIRTHS: Record<Wearer, Record<string, readonly [number, number]>> = {
  Women: {
    XXS: [66, 74],
    XS: [74, 82],
    S: [82, 90],
    M: [90, 98],
    L: [98, 107],
    XL: [107, 119],
    XXL: [119, 131],
    '3XL': [131, 143],
  },
  Men: {
    XXS: [70, 78],
    XS: [78, 86],
    S: [86, 94],
    M: [94, 102],
    L: [102, 110],
    XL: [110, 118],
    XXL: [118, 129],
    '3XL': [129, 141],
  },
};

function girthOf(wearer: Wearer, letters: string): SizeSuggestion[] {
  const girth = GIRTHS[wearer][letters === 'XXXL' ? '3XL' : letters === '2XL' ? 'XXL' : letters];
  if (!girth) return [];
  return [{ words: `${wearer === 'Men' ? 'chest' : 'bust'} ${girth[0]} to ${girth[1]} cm`, source: BODIES }];
}
