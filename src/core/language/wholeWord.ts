/** A text as it stands, for use in a pattern. */
export function escaped(text: string): string {
  return text.replace(/[.*+?^${}()|[\]\\]/gu, '\\$&');
}

/** Finds a word or words only where no letter or digit stands right beside them. */
export function wholeWord(words: string, flags: 'u' | 'iu'): RegExp {
  return alone(escaped(words), flags);
}

/**
 * Like {@link wholeWord}, and also where other signs than one space stand between the words: "best-price",
 * "best, price".
 */
export function wholePhrase(words: string): RegExp {
  const parts = words.split(/\s+/u).filter(Boolean).map(escaped);
  return parts.length === 0 ? /(?!)/u : alone(parts.join('[^\\p{L}\\p{N}]+'), 'iu');
}

function alone(pattern: string, flags: 'u' | 'iu'): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])${pattern}(?![\\p{L}\\p{N}])`, flags);
}
