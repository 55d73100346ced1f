import type { RuleSheet } from '@/contract/ruleSheet';

import { failed, type Adapter } from '../../courier/adapter';

/** Its rules as they stand on its help page: there is no call to ask for them. */
const RULES: RuleSheet = {
  marketplace: 'handbill',
  name: 'Handbill',
  letters: 'Hb',
  version: 1,
  currency: 'EUR',
  byHand: true,
  title: { max: 70, counts: 'characters' },
  description: { min: 0, max: 2_000, counts: 'characters' },
  photos: {
    min: 1,
    max: 6,
    minLongSide: 300,
    maxLongSide: 1_600,
    maxBytes: 2_000_000,
    shape: 'any',
    shownAtOnce: 2,
  },
  price: { min: 100, max: 1_000_000 },
  categories: [
    { id: 'wear', name: 'For wearing', parent: null, leaf: true, specifics: [] },
    { id: 'home', name: 'For the home', parent: null, leaf: true, specifics: [] },
    { id: 'rest', name: 'All the rest', parent: null, leaf: true, specifics: [] },
  ],
  conditions: [
    { code: 'good', label: 'Good as new', wear: 1 },
    { code: 'fair', label: 'Fair', wear: 3 },
    { code: 'poor', label: 'Poor', wear: 5 },
  ],
  fees: {
    rules: [{ type: 'share', label: 'Board fee', bp: 800, of: 'price', least: 50, cap: 4_000 }],
    taxBp: 0,
  },
  forbiddenWords: [],
  questions: [],
  handover: 'post',
};

const nobody = (): never => {
  throw failed('byHand', false, 3_600_000);
};

/**
 * A board without a way to call it: only its rules are known, everything else a person does and says.
 *
 * @param home where its pages are
 */
export function handbillAdapter(home = '/outside/handbill/'): Adapter {
  return {
    id: 'handbill',
    name: 'Handbill',
    letters: 'Hb',
    home,
    capabilities: { webhooks: false, review: false, pollEvery: 3_600_000, byHand: true },
    ruleSheet: async () => RULES,
    history: async () => [],
    searchDemand: async () => [],
    publish: async () => nobody(),
    revise: async () => nobody(),
    withdraw: async () => nobody(),
    lookUp: async () => nobody(),
    eventsSince: async () => nobody(),
  };
}
