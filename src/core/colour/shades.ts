import { labOf, type Lab } from '../pixels/lab';

/**
 * Shades and the name the trade gives them. The survey's: those of a survey in which two hundred thousand
 * people named colours on their screens (2010, public domain, CC0), every second one of each name; the others
 * are kept to judge by. Cloth's own (which is never as black or as clear as a screen): common practice, from
 * memory.
 */
const TABLE = {
  Black: `
    black 000000, black cloth 1d1d1f, worn black 2a2a2c, blue black 17181d`,
  White: `
    white ffffff, white cloth f4f4f3, shaded white e6e6e6, cool white eff2f6`,
  Cream: `
    cream ffffc2, ivory ffffcb, natural cream f3ead6, off-white f4efe4, ecru eee0c4`,
  Beige: `
    beige e6daa6, light beige fffeb6, oatmeal ddcfb8, sand cloth cdb996, stone c9bda6`,
  Grey: `
    charcoal 343837, cool grey 95a3a6, grey 929591, medium grey 7d7f7c, slate grey 59656d,
    warm grey 978a84, light grey cfd0d1, silver grey b4b6b8, dark grey 48494b, marl grey 9a9b9c,
    anthracite 35373a`,
  Navy: `
    dark navy 000435, light navy 155084, navy 01153e, navy cloth 1f2a44, ink 18203a,
    soft navy 2c3a5c`,
  Blue: `
    azure 069af3, blue 0343df, bright light blue 26f7fd, cadet blue 4e7496, cobalt blue 030aa7,
    cornflower blue 5170d7, dark royal blue 02066f, dark slate blue 214761, deep sea blue 015482,
    denim blue 3b5b92, dusty blue 5a86ad, light blue 95d0fc, light sky blue c6fcff, mid blue 276ab3,
    muted blue 3b719f, pale blue d0fefe, pastel blue a2bffe, prussian blue 004577, royal blue 0504aa,
    sky blue 75bbfd, soft blue 6488ea, vivid blue 152eff`,
  Teal: `
    aqua 13eac9, bright teal 01f9c6, dark aqua 05696b, dark turquoise 045c5a, deep teal 00555a,
    dull teal 5f9e8f, light aqua 8cffdb, light turquoise 7ef4cc, pale teal 82cbb2, teal 029386,
    petrol 1b4d5c, jade 2fa58c`,
  Green: `
    army green 4b5d16, bright green 01ff07, bright lime green 65fe08, cool green 33b864,
    dark grass green 388004, dark lime green 7ebd01, dark pastel green 56ae57, deep green 02590f,
    dusty green 76a973, emerald green 028f1e, forest green 06470c, green 15b01a, kelly green 02ab2e,
    light bright green 53fe5c, light grass green 9af764, light lime green b9ff66,
    light moss green a6c875, light sea green 98f6b0, medium green 39ad48, military green 667c3e,
    moss green 658b38, ocean green 3d9973, pale light green b1fc99, pastel green b0ff9d,
    sage green 88b378, slate green 658d6d, true green 089404, mint b5dfc6, bottle green 12402b`,
  Olive: `
    bright olive 9cbb04, dark olive 373e02, khaki aaa662, light olive acbf69, olive 6e750e,
    olive green 677a04, pale olive green b1d27b, khaki drill 7d7448, loden 4a4a2c, drab 6b6a45`,
  Brown: `
    brown 653700, chocolate brown 411900, deep brown 410200, light brown ad8150,
    milk chocolate 7f4e1e, warm brown 964e02, dark brown 3b2a20, cocoa 6b4a35, chestnut 7b4a2b,
    taupe 82705f`,
  Tan: `
    camel c69f59, light tan fbeeac, tan cloth c69c6d, cognac a8703a, biscuit d0ab7e`,
  Red: `
    blood red 980002, cherry red f7022a, dark red 840000, dull red bb3f3f, faded red d3494e,
    lipstick red c0022f, pastel red db5856, scarlet be0119, bright red d3202a,
    signal red e4101c, cherry b81d2c`,
  Burgundy: `
    burgundy 610023, light burgundy a8415b, maroon 650021, bordeaux 5a1a2b, oxblood 6a1f24,
    wine 722f41`,
  Rust: `
    brick a03623, rust brown 8b3103, rust red aa2704, terracotta c2603c, rust b04a20,
    copper brown 9c4f2a`,
  Orange: `
    blood orange fe4b03, burnt orange c04e01, deep orange dc4d01, dusty orange f0833a,
    light orange fdaa48, pale orange ffa756, pumpkin orange fb7d07, orange e9802c`,
  Yellow: `
    bright yellow fffd01, canary yellow fffe40, dull yellow eedc5b, golden yellow fec615,
    light mustard f7d560, mustard ceb301, pale yellow ffff84, sunshine yellow fffd37, lemon f3e04f,
    ochre cc9a2b, butter f6e7a0`,
  Pink: `
    baby pink ffb7ce, dark pink cb416b, deep pink cb0162, dull pink d5869d, dusty rose c0737a,
    hot pink ff028d, light rose ffc5cb, muted pink d1768f, pale rose fdc1c5, pink ff81c0,
    rose cf6275, rosy pink f6688e, soft pink fdb0c0, blush ecc6c4, salmon f0958a, coral f2796b`,
  Purple: `
    aubergine 3d0734, bright lavender c760ff, bright purple be03fd, dark lavender 856798,
    dark plum 3f012c, dark violet 34013f, deep lilac 966ebd, deep violet 490648,
    dusty lavender ac86a8, faded purple 916e99, lavender c79fef, light lilac edc8ff,
    light purple bf77f6, lilac cea2fd, muted purple 805b87, pale lilac e4cbff, pale violet ceaefa,
    plum 580f41, purple 7e1e9c, royal purple 4b006e, violet 9a0eea, warm purple 952e8f, mauve a58aa8,
    heather 8b7690`,
} as const;

/** A colour as the trade names it. */
export type ColourName = keyof typeof TABLE;

export interface Shade {
  /** `dark teal`, in small letters. */
  words: string;
  name: ColourName;
  lab: Lab;
}

export const SHADES: readonly Shade[] = Object.entries(TABLE).flatMap(([name, lines]) =>
  lines
    .trim()
    .split(/,\s*/u)
    .map((entry): Shade => {
      const at = entry.lastIndexOf(' ');
      // The table's own keys.
      return { words: entry.slice(0, at), name: name as ColourName, lab: labOfHex(entry.slice(at + 1)) };
    }),
);

/** @param hex six digits of sRGB, without a sign before them */
function labOfHex(hex: string): Lab {
  const value = Number.parseInt(hex, 16);
  return labOf(value >> 16, (value >> 8) & 255, value & 255);
}
