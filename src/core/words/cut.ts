import { countAs, type Counting } from './count';

const sentences = new Intl.Segmenter('en', { granularity: 'sentence' });

export interface Cut {
  text: string;
  /** Whether anything had to go. */
  cut: boolean;
}

/**
 * As much of a text as fits, ending where a sentence or a line ends; a first sentence that is too long by
 * itself ends at a word, and one without spaces anywhere between two characters.
 *
 * @param length how long a text is there; UAX #29 sentences are tried one by one
 */
export function cutToFit(text: string, max: number, length: Counting | ((text: string) => number)): Cut {
  const measure = typeof length === 'function' ? length : (t: string) => countAs(t, length);
  if (measure(text) <= max) return { text, cut: false };
  let kept = '';
  for (const { segment } of sentences.segment(text)) {
    if (measure((kept + segment).trimEnd()) > max) {
      const lines = segment.split(/(?<=\n)/u);
      for (const line of lines.slice(0, -1)) {
        if (measure((kept + line).trimEnd()) > max) break;
        kept += line;
      }
      break;
    }
    kept += segment;
  }
  kept = kept.trimEnd();
  return { text: kept === '' ? cutToWord(text, max, measure) : kept, cut: true };
}

function cutToWord(text: string, max: number, measure: (text: string) => number): string {
  const characters = Array.from(
    new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text),
    (s) => s.segment,
  );
  let low = 0;
  let high = Math.min(characters.length, max);
  while (low < high) {
    const half = Math.ceil((low + high) / 2);
    if (measure(characters.slice(0, half).join('')) <= max) low = half;
    else high = half - 1;
  }
  const rough = characters.slice(0, low).join('');
  const space = rough.lastIndexOf(' ');
  return (space > rough.length / 2 ? rough.slice(0, space) : rough).trimEnd();
}
