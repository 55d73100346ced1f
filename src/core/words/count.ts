/** How a marketplace counts: user-perceived characters (UAX #29), or UTF-16 code units. */
export type Counting = 'characters' | 'codeUnits';

const segmenter = new Intl.Segmenter('en', { granularity: 'grapheme' });

/** Length of a text as the marketplace counts it. An emoji family is one character, eleven code units. */
export function countAs(text: string, counting: Counting): number {
  if (counting === 'codeUnits') return text.length;
  let n = 0;
  for (const _ of segmenter.segment(text)) n += 1;
  return n;
}
