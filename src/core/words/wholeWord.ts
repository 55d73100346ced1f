/** A text as it stands, for use in a pattern. */
export function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/gu, '\\$&');
}

/** Finds a word or words only where no letter or digit stands right beside them. */
export function wholeWord(words: string, flags: 'u' | 'iu'): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])${escaped(words)}(?![\\p{L}\\p{N}])`, flags);
}
