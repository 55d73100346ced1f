/** A text as it stands, for use in a pattern. */
export function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/gu, '\\$&');
}

/** Like {@link wholeWord}, and also where other signs than one space stand between the words: "best-price", "best, price". */
export function wholePhrase(words: string): RegExp {
  const parts = words.split(/\s+/u).filter(Boolean).map(escaped);
  if (parts.length === 0) return /(?!)/u;
  return new RegExp(`(?<![\\p{L}\\p{N}])${parts.join('[^\\p{L}\\p{N}]+')}(?![\\p{L}\\p{N}])`, 'iu');
}

/** Finds a word or words only where no letter or digit stands right beside them. */
export function wholeWord(words: string, flags: 'u' | 'iu'): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])${escaped(words)}(?![\\p{L}\\p{N}])`, flags);
}
