import { plural } from '@/core/language/plural';
import type { Wish } from '@/core/outgoing/lines';

const of = (n: number) => plural(n, 'one item', `${n} items`);

/** What a page about many is called. */
export const TITLES: Readonly<Record<Wish, (n: number) => string>> = {
  list: (n) => `List ${of(n)}`,
  revise: (n) => `Revise ${of(n)}`,
  again: (n) => `Put up ${of(n)} again`,
  withdraw: (n) => `Withdraw ${of(n)}`,
  end: (n) => `End ${of(n)} everywhere`,
};
