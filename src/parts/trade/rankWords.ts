import type { Rank } from '@/contract/catalogue';
import { dayWords } from '@/parts/ui/time';

const FIGURE = new Intl.NumberFormat('en-GB');
const DAY = 86_400_000;

/**
 * How its like sold when it was first looked up and, when asked again since, how it sells now.
 *
 * @param listedAt when it was listed: a rank asked within a day of it is said as that of then
 */
export function rankWords(ranks: readonly Rank[], listedAt: number | null = null): string {
  const [first, last] = [ranks[0], ranks.at(-1)];
  if (!first || !last) return '';
  // One of months before says nothing of that day.
  const then = listedAt === null ? undefined : ranks.findLast(({ at }) => Math.abs(at - listedAt) <= DAY);
  const say = (rank: Rank) =>
    `${FIGURE.format(rank.place)} ${rank === then ? 'when it was listed' : `on ${dayWords(rank.at)}`}`;
  const among = `of ${FIGURE.format(last.of)} in ${last.among}`;
  if (first === last) return `Sales rank ${say(first)}, ${among}.`;
  const way = last.place < first.place ? 'better' : last.place > first.place ? 'worse' : 'the same';
  const told = [first, ...(then && then !== first && then !== last ? [then] : []), last];
  return `Sales rank ${told.map(say).join(', ')}: ${way}, ${among}.`;
}
