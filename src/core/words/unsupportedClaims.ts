import { NONE, type Coded, type None } from '@/contract/coded';
import type { Item } from '@/contract/records';
import type { Terms } from '@/contract/terms';

import { wholeWord } from '../language/wholeWord';

/** What of the record speaks against a promise. */
export interface ClaimAgainstParams {
  postageCharged: None;
  notTested: None;
  smokeNotRecorded: None;
  petsNotRecorded: None;
  used: None;
  flaws: None;
  missing: { part: string };
  noReturns: None;
  notCleaned: None;
}
export type ClaimAgainst = Coded<ClaimAgainstParams>;

export interface UnsupportedClaim {
  /** The words that promise. */
  words: string;
  against: ClaimAgainst;
}

interface Rule {
  words: readonly string[];
  /** Why the record does not hold it; null where it does. */
  against: (item: Item, terms: Terms | null) => ClaimAgainst | null;
}

const plain = (code: Exclude<ClaimAgainst['code'], 'missing'>): ClaimAgainst => ({ code, params: NONE });

/**
 * Words that promise something, and what of the record has to bear them out. Common practice of returns
 * desks.
 */
const RULES: readonly Rule[] = [
  {
    words: ['free postage', 'postage free', 'free delivery', 'postage included'],
    against: (t, terms) =>
      t.postageBy === 'builtIn' || terms?.home === 'free' ? null : plain('postageCharged'),
  },
  {
    words: ['fully working', 'in working order', 'works perfectly', 'tested and working'],
    against: (t) => (t.tested === 'works' ? null : plain('notTested')),
  },
  {
    words: ['smoke-free', 'smoke free', 'from a non-smoking home'],
    against: (t) => (t.smoke === false ? null : plain('smokeNotRecorded')),
  },
  {
    words: ['pet-free', 'pet free'],
    against: (t) => (t.pets === false ? null : plain('petsNotRecorded')),
  },
  {
    words: ['brand new', 'never used', 'unused', 'never worn', 'unworn'],
    against: (t) => (t.use === 'unused' ? null : plain('used')),
  },
  {
    words: ['flawless', 'no flaws', 'perfect condition', 'mint condition', 'immaculate'],
    against: (t) => (t.flaws.length === 0 ? null : plain('flaws')),
  },
  {
    words: ['complete with all', 'nothing missing', 'all pieces present', 'complete set'],
    against: (t) =>
      t.missing.trim() === '' ? null : { code: 'missing', params: { part: t.missing.trim() } },
  },
  {
    words: ['returns accepted', 'returns welcome', 'money back'],
    against: (_t, terms) => (terms && terms.returnDays === 0 ? plain('noReturns') : null),
  },
  {
    words: ['freshly washed', 'freshly laundered', 'professionally cleaned', 'dry cleaned'],
    against: (t) => (t.cleaned === true ? null : plain('notCleaned')),
  },
];

/** The check asks for every listing: its patterns are made once. */
const READY = RULES.map(({ words, against }) => ({
  against,
  words: words.map((w) => ({ w, pattern: wholeWord(w, 'iu') })),
}));

/**
 * What a text promises that the record does not hold; words with "not" or "no longer" before them promise
 * nothing.
 */
export function unsupportedClaims(text: string, item: Item, terms: Terms | null): UnsupportedClaim[] {
  return READY.flatMap(({ words, against }) => {
    const said = words.find(({ pattern }) => {
      const found = pattern.exec(text);
      return found !== null && !/(?:\bnot|\bno longer|\bnever)\s+$/iu.test(text.slice(0, found.index));
    })?.w;
    const found = said ? against(item, terms) : null;
    return said && found ? [{ words: said, against: found }] : [];
  });
}
