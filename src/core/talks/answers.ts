import mustache from 'mustache';

/** What can stand in a saved answer: public facts of the item that is asked about. */
export interface AnswerView {
  [token: string]: string;
}

/** Tokens of a saved answer, each with whether the item has it. */
export function tokensOf(text: string): string[] {
  try {
    return [...new Set(mustache.parse(text).flatMap((p) => (p[0] === 'name' || p[0] === '&' ? [p[1]] : [])))];
  } catch {
    // A person may type half a token: then there is none yet.
    return [];
  }
}

/**
 * A saved answer with the item's facts in it.
 *
 * @returns the words, and which facts it wanted that the item does not have: those have to be put in by hand
 */
export function filledIn(text: string, view: AnswerView): { words: string; missing: string[] } {
  const missing = tokensOf(text).filter((t) => !view[t]);
  const shown = new Proxy(view, {
    get: (all, key) => (typeof key === 'string' ? all[key] || '…' : undefined),
    has: () => true,
  });
  try {
    return { words: mustache.render(text, shown, undefined, { escape: (s: unknown) => String(s) }), missing };
  } catch {
    // Half a token stays as it was typed, for the person to see.
    return { words: text, missing };
  }
}
