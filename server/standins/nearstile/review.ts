/**
 * What the person at Nearstile turns down after reading an ad; null lets it up. House rules that no
 * sheet tells in full, as on any board looked over by people.
 */
export function review(heading: string, body: string): string | null {
  const words = `${heading} ${body}`.toLowerCase();
  if (/(\+|\b0)\d[\d\s/-]{6,}\d/.test(words)) return 'Please leave your telephone number out of the words.';
  if (/\S@\S+\.\S|https?:|www\./.test(words)) return 'Please leave addresses out of the words.';
  if (/\b(postage|swap)\b/.test(words)) return 'Items are handed over in person here, and not swapped.';
  if (
    /\b(oil|paraffin|petrol|gas) (lamp|stove|lantern)\b/.test(words) &&
    !/\b(emptied|empty|drained)\b/.test(words)
  )
    return 'Items that burn fuel must be handed over empty: please say so in the words.';
  if (/[A-ZÄÖÜ]{4,} [A-ZÄÖÜ]{4,} [A-ZÄÖÜ]{4,}/.test(heading)) return 'Please don’t shout in the heading.';
  return null;
}
