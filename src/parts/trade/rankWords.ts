import type { Rank } from '@/contract/catalogue';
import { dayWords } from '@/parts/ui/time';

const FIGURE = new Intl.NumberFormat('en-GB');

/** How its like sold when it was first looked up and, when asked again since, how it sells now. */
export function rankWords(ranks: readonly Rank[]): string {
  const [first, last] = [ranks[0], ranks.at(-1)];
  if (!first || !last) return '';
  const say = (rank: Rank) => `${FIGURE.format(rank.place)} on ${dayWords(rank.at)}`;
  const among = `of ${FIGURE.format(last.of)} in ${last.among}`;
  if (first === last) return `Sales rank ${say(first)}, ${among}.`;
  const way = last.place < first.place ? 'better' : last.place > first.place ? 'worse' : 'the same';
  return `Sales rank ${say(first)}, ${say(last)}: ${way}, ${among}.`;
}
