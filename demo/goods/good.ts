import type { Dye } from '../draw/dyes';
import type { Subject } from '../draw/studio';

/** The two who sell here. */
export const ODILE = 'Odile Tolliver';
export const BAS = 'Bas Wren';

/** Something that comes by in several makes and colours. */
export interface Good {
  kind: string;
  noun: string;
  /** Who made it; of books and records its titles with who they are by. */
  makes: readonly (string | readonly [title: string, by: string])[];
  dyes: readonly Dye[];
  facts: Readonly<Record<string, string>>;
  sizes?: readonly string[];
  /** Whole euros. */
  price: readonly [number, number];
  weightG: number;
  /** Who takes it in, writes its listing and sends it. */
  by: string;
  /** Where it sells, and how likely; it is listed at all of these. */
  markets: Readonly<Record<string, number>>;
  spot: string;
  draw: (dye: Dye, name: string, by: string) => Subject;
}

/** One of a good's makes in one of its colours, as a title and the facts have it. */
export interface Version {
  title: string;
  name: string;
  by: string;
  facts: Record<string, string>;
}

/** Kinds that nobody asks the age of. */
const AGELESS = [
  'jumper',
  'cardigan',
  'shirt',
  'coat',
  'dress',
  'skirt',
  'jeans',
  'hat',
  'shoes',
  'bag',
  'yarn',
];

export function versionOf(good: Good, make: number, dye: Dye, size: string | null): Version {
  // Within the list, by the remainder.
  const made = good.makes[make % good.makes.length]!;
  const [name, by] = typeof made === 'string' ? [made, ''] : made;
  const sized = size === null ? '' : `, size ${size}`;
  const title = by === '' ? `${name} ${good.noun}, ${dye.word}${sized}` : `${name}, ${by}, ${good.noun}`;
  return {
    title,
    name,
    by,
    facts: {
      // Most of it is from then; what is not says so.
      ...(AGELESS.includes(good.kind) ? {} : { decade: '1960s' }),
      ...good.facts,
      ...(by === '' ? { brand: name, colour: dye.answer } : { model: name, author: by }),
      ...(size === null ? {} : { size }),
    },
  };
}
