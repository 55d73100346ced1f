import type { Href } from 'expo-router';

import type { Target } from '@/core/stock/bulk';
import type { IconName } from '@/theme/Icon';

/** What can be done with all that is chosen: on a page of its own, or right there. */
export interface Deed {
  id: string;
  words: string;
  /** Its key at the desk. */
  key: string;
  icon?: IconName;
  does:
    | { type: 'page'; to: Href }
    | { type: 'change'; target: Target | null; how?: 'lower' | 'add' }
    | { type: 'putAway' };
}

const page = (to: Href): Deed['does'] => ({ type: 'page', to });

/** The same for phone and desk, the commonest first. */
export const DEEDS: readonly Deed[] = [
  { id: 'list', words: 'List on…', key: 'l', icon: 'send', does: page('/outgoing?wish=list') },
  { id: 'revise', words: 'Revise', key: 'r', does: page('/outgoing?wish=revise') },
  { id: 'again', words: 'Put up again', key: 'a', does: page('/outgoing?wish=again') },
  { id: 'fill', words: 'Fill in', key: 'f', icon: 'write', does: page('/many') },
  { id: 'categories', words: 'Categories', key: 'k', does: page('/categories') },
  { id: 'write', words: 'Write words', key: 'w', does: page('/write') },
  { id: 'price', words: 'Price by a rule', key: 'p', does: page('/write?only=prices') },
  { id: 'markDown', words: 'Mark down', key: 'm', does: { type: 'change', target: 'price', how: 'lower' } },
  { id: 'spot', words: 'Move to a spot', key: 's', does: { type: 'change', target: 'spot' } },
  { id: 'group', words: 'Put in a group', key: 'g', does: { type: 'change', target: 'group', how: 'add' } },
  { id: 'change', words: 'Change something else', key: 'c', does: { type: 'change', target: null } },
  { id: 'says', words: 'What their pictures say', key: 'i', icon: 'readText', does: page('/says') },
  { id: 'withdraw', words: 'Withdraw', key: 'd', does: page('/outgoing?wish=withdraw') },
  { id: 'end', words: 'End everywhere', key: 'e', does: page('/outgoing?wish=end') },
  { id: 'putAway', words: 'Put away', key: 'y', does: { type: 'putAway' } },
  { id: 'table', words: 'Save as a table', key: 't', icon: 'down', does: page('/save-tables?of=chosen') },
];
