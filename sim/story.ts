/** What an evening as a whole turned on. */
const TURNS = /KILLED|LOST|clock jumps|is out|key runs out|torn/u;

/**
 * The lines of an evening's story that bear on what went wrong: those about the items named in the
 * violations, and what befell everything. Where no item is named, the whole story.
 */
export function shortStory(story: readonly string[], violations: readonly string[]): string[] {
  const items = new Set(violations.flatMap((v) => v.match(/\b(?:t\d+|many)\b/gu) ?? []));
  if (items.size === 0) return [...story];
  const named = new RegExp(`\\b(?:${[...items].join('|')})\\b`, 'u');
  let last = '';
  return story.filter((line) => {
    // A refusal belongs to the line before it.
    const keep = line.includes('  refused:') ? named.test(last) : named.test(line) || TURNS.test(line);
    if (!line.includes('  refused:')) last = line;
    return keep;
  });
}
