/**
 * Colours and what the trade may call them, one of the names. The survey's: the other half of those in
 * `core/colour/shades.ts` (2010, public domain, CC0). The web's: named colours of CSS Color Module Level 4.
 * Where the trade takes either name, both stand; what stands there is common practice, from memory.
 */
const SURVEY = `
  ecru feffca Cream/Yellow, dark beige ac9362 Beige/Tan, sand e2ca76 Beige/Tan/Yellow,
  charcoal grey 3c4142 Grey, dark grey 363737 Grey, light grey d8dcd6 Grey/White,
  pale grey fdfdfe Grey/White, steel grey 6f828a Grey/Blue, dark navy blue 00022e Navy,
  light navy blue 2e5a88 Navy/Blue, navy blue 001146 Navy, baby blue a2cffe Blue, bright blue 0165fc Blue,
  bright sky blue 02ccfe Blue/Teal, cobalt 1e488f Blue/Navy, cool blue 4984b8 Blue,
  dark blue 00035b Navy/Blue, dark sky blue 448ee4 Blue, deep blue 040273 Navy/Blue,
  deep sky blue 0d75f8 Blue, dull blue 49759c Blue, faded blue 658cbb Blue,
  light royal blue 3a2efe Blue/Purple, medium blue 2c6fbb Blue, midnight blue 020035 Navy/Blue,
  ocean blue 03719c Blue/Teal, pale sky blue bdf6fe Blue/Teal, powder blue b1d1fc Blue,
  rich blue 021bf9 Blue, sea blue 047495 Blue/Teal, slate blue 5b7c99 Blue/Grey,
  steel blue 5a7d9a Blue/Grey, bright aqua 0bf9ea Teal, bright turquoise 0ffef9 Teal,
  dark teal 014d4e Teal, deep aqua 08787f Teal, deep turquoise 017374 Teal, dusty teal 4c9085 Teal/Green,
  light teal 90e4c1 Teal/Green, pale aqua b8ffeb Teal/Blue, pale turquoise a5fbd5 Teal/Green,
  turquoise 06c2ac Teal, bottle green 044a05 Green, bright light green 2dfe54 Green,
  bright sea green 05ffa6 Green/Teal, dark forest green 002d04 Green, dark green 033500 Green,
  dark mint green 20c073 Green/Teal, dark sea green 11875d Green/Teal, dull green 74a662 Green,
  emerald 01a049 Green, faded green 7bb274 Green, grass green 3f9b0b Green, hunter green 0b4008 Green,
  leaf green 5ca904 Green, light forest green 4f9153 Green, light green 96f97b Green,
  light mint green a6fbb2 Green/Teal, light pastel green b2fba5 Green, lime green 89fe05 Green,
  mid green 50a747 Green, mint green 8fff9f Green, muted green 5fa052 Green, pale green c7fdb5 Green,
  pale lime green b1ff65 Green, pine green 0a481e Green, sea green 53fca1 Green/Teal,
  soft green 6fc276 Green, vivid green 2fef10 Green, dark khaki 9b8f55 Olive/Tan/Beige,
  dark olive green 3c4d03 Olive/Green, light khaki e6f2a2 Olive/Cream/Beige,
  light olive green a4be5c Olive/Green, olive brown 645403 Olive/Brown, pale olive b9cc81 Olive/Green,
  chocolate 3d1c02 Brown, dark brown 341c02 Brown, dull brown 876e4b Brown/Tan, medium brown 7f5112 Brown,
  pale brown b1916e Brown/Tan/Beige, dark tan af884a Tan/Brown, tan d1b26f Tan/Beige,
  bright red ff000d Red, crimson 8c000f Red/Burgundy, deep red 9a0200 Red/Burgundy,
  dusty red b9484e Red/Burgundy, light red ff474c Red/Pink, pale red d9544d Red/Pink/Rust/Orange,
  red e50000 Red, dark maroon 3c0008 Burgundy/Brown, light maroon a24857 Burgundy/Pink/Red,
  wine 80013f Burgundy, rust a83c09 Rust, rust orange c45508 Rust/Orange, terracotta ca6641 Rust/Orange,
  bright orange ff5b00 Orange, dark orange c65102 Orange/Rust, dull orange d8863b Orange,
  faded orange f0944d Orange, orange f97306 Orange, pastel orange ff964f Orange,
  butter yellow fffd74 Yellow/Cream, dark yellow d5b60a Yellow/Olive, faded yellow feff7f Yellow/Cream,
  lemon yellow fdff38 Yellow, light yellow fffe7a Yellow, mustard yellow d2bd0a Yellow/Olive,
  pastel yellow fffe71 Yellow, yellow ffff14 Yellow, bright pink fe01b1 Pink,
  dark rose b5485d Pink/Burgundy/Red, deep rose c74767 Pink/Red, dusty pink d58a94 Pink,
  faded pink de9dac Pink, light pink ffd1df Pink, medium pink f36196 Pink, pale pink ffcfdc Pink,
  pastel pink ffbacd Pink, powder pink ffb2d0 Pink, rose pink f7879a Pink,
  salmon pink fe7b7c Pink/Red/Orange, warm pink fb5581 Pink/Red, baby purple ca9bf7 Purple,
  bright lilac c95efb Purple, bright violet ad0afd Purple, dark lilac 9c6da5 Purple,
  dark purple 35063e Purple, deep lavender 8d5eb7 Purple, deep purple 36013f Purple,
  dull purple 84597e Purple, dusty purple 825f87 Purple, hot purple cb00f5 Purple,
  light lavender dfc5fe Purple, light plum 9d5783 Purple/Pink, light violet d6b4fc Purple,
  medium purple 9e43a2 Purple, pale lavender eecffe Purple, pale purple b790d4 Purple,
  pastel purple caa0ff Purple, plum purple 4e0550 Purple, rich purple 720058 Purple/Burgundy,
  soft purple a66fb5 Purple, vivid purple 9900fa Purple`;
const WEB = `
  black 000000 Black, white ffffff White, snow fffafa White, ghostwhite f8f8ff White,
  ivory fffff0 Cream/White, linen faf0e6 Cream/White/Beige, oldlace fdf5e6 Cream/White,
  antiquewhite faebd7 Cream/Beige, cornsilk fff8dc Cream, wheat f5deb3 Beige/Cream/Tan,
  burlywood deb887 Tan/Beige, tan d2b48c Tan/Beige, peru cd853f Tan/Brown/Orange,
  saddlebrown 8b4513 Brown/Rust, sienna a0522d Brown/Rust, silver c0c0c0 Grey, lightgray d3d3d3 Grey,
  gray 808080 Grey, dimgray 696969 Grey, darkslategray 2f4f4f Grey/Green/Teal, slategray 708090 Grey/Blue,
  navy 000080 Navy/Blue, midnightblue 191970 Navy/Blue, royalblue 4169e1 Blue, steelblue 4682b4 Blue,
  skyblue 87ceeb Blue, lightblue add8e6 Blue, cornflowerblue 6495ed Blue, teal 008080 Teal,
  darkcyan 008b8b Teal, turquoise 40e0d0 Teal, lightseagreen 20b2aa Teal, darkgreen 006400 Green,
  forestgreen 228b22 Green, seagreen 2e8b57 Green, limegreen 32cd32 Green, palegreen 98fb98 Green,
  olive 808000 Olive, olivedrab 6b8e23 Olive/Green, darkolivegreen 556b2f Olive/Green, red ff0000 Red,
  crimson dc143c Red, firebrick b22222 Red, darkred 8b0000 Red/Burgundy, maroon 800000 Burgundy/Red,
  orange ffa500 Orange/Yellow, darkorange ff8c00 Orange, coral ff7f50 Orange/Pink,
  tomato ff6347 Orange/Red/Pink, gold ffd700 Yellow, yellow ffff00 Yellow,
  goldenrod daa520 Yellow/Tan/Orange, pink ffc0cb Pink, lightpink ffb6c1 Pink, hotpink ff69b4 Pink,
  deeppink ff1493 Pink, palevioletred db7093 Pink, purple 800080 Purple, indigo 4b0082 Purple,
  rebeccapurple 663399 Purple, orchid da70d6 Purple/Pink, lavender e6e6fa Purple/White/Blue,
  mediumpurple 9370db Purple`;

/** A colour, and the names that are right for it. */
export interface TrueShade {
  words: string;
  rgb: readonly [number, number, number];
  names: readonly string[];
}

export const TRUE_SHADES: readonly TrueShade[] = [SURVEY, WEB].flatMap((table) =>
  table
    .trim()
    .split(/,\s*/u)
    .map((entry) => {
      const [, words = '', hex = '', names = ''] = /^(.+) ([0-9a-f]{6}) (\S+)$/u.exec(entry) ?? [];
      const value = Number.parseInt(hex, 16);
      return { words, rgb: [value >> 16, (value >> 8) & 255, value & 255], names: names.split('/') } as const;
    }),
);
