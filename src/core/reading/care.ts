/**
 * What care symbols say, as it is printed in words. From memory of ISO 3758 and of the trade's labels.
 */
const PHRASES = [
  'hand wash only',
  'hand wash',
  'machine wash cold',
  'machine wash warm',
  'machine wash',
  'gentle cycle',
  'do not wash',
  'do not bleach',
  'do not tumble dry',
  'tumble dry low',
  'line dry',
  'dry flat',
  'dry clean only',
  'do not dry clean',
  'dry clean',
  'cool iron',
  'warm iron',
  'do not iron',
  'wash dark colours separately',
  'wash separately',
] as const;

/** Care instructions among lines, each once, in the order of the lines; null where there are none. */
export function careIn(texts: readonly string[]): string | null {
  const found: string[] = [];
  for (const text of texts) {
    let rest = ` ${text
      .toLocaleLowerCase('en')
      .replace(/colors/gu, 'colours')
      .replace(/[^\p{L}]+/gu, ' ')} `;
    // The longest first, so that "do not dry clean" is not taken for "dry clean".
    for (const phrase of LONGEST_FIRST)
      if (rest.includes(` ${phrase} `)) {
        rest = rest.replace(phrase, '');
        if (!found.includes(phrase)) found.push(phrase);
      }
  }
  const words = found.join('; ');
  return words === '' ? null : words.charAt(0).toLocaleUpperCase('en') + words.slice(1);
}

const LONGEST_FIRST = [...PHRASES].sort((a, b) => b.length - a.length);
