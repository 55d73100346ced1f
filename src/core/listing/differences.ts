import type { DraftChoices, ListingDraft } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { SentTerms } from '@/contract/terms';

import { isAlike } from '../choices/choices';
import { readableValues } from '../mapping/fieldValues';
import { formatMoney } from '../money/money';
import { tagsName } from '../words/tags';

/** One value of a listing that would change, in words. */
export interface Difference {
  name: string;
  /** What is there now; null: nobody told. Empty: nothing. */
  before: string | null;
  after: string;
}

/** Fields that no marketplace tells of a listing that was brought in. */
const UNTOLD: readonly (keyof ListingDraft)[] = [
  'answers',
  'tags',
  'auction',
  'search',
  'terms',
  'paid',
  'choices',
  'depotNo',
];

/**
 * What of a listing would change there, value by value, for a person to see before it goes. Names every field
 * that counts for {@link draftHash}; pictures are compared apart.
 *
 * @param before what was sent last, or what was found there
 * @param found it was found there: what a marketplace does not tell of listings is not known
 */
export function draftDifferences(
  before: ListingDraft,
  after: ListingDraft,
  sheet: RuleSheet,
  found = false,
): Difference[] {
  const told = (field: keyof ListingDraft) => !found || !UNTOLD.includes(field);
  const lines = (draft: ListingDraft) => differenceValues(draft, sheet);
  const now = new Map(lines(before).map((v) => [v.key, v]));
  const then = new Map(lines(after).map((v) => [v.key, v]));
  return [...new Set([...now.keys(), ...then.keys()])].flatMap((key): Difference[] => {
    const [a, b] = [now.get(key), then.get(key)];
    if ((a?.words ?? '') === (b?.words ?? '')) return [];
    const one = b ?? a;
    if (!one) return [];
    const { name, field } = one;
    return [{ name, before: told(field) ? (a?.words ?? '') : null, after: b?.words ?? '' }];
  });
}

/** One value of a listing, in words. */
export interface DraftValue {
  /** The draft's field; of fields and answers with their own id, of terms with which of them. */
  key: string;
  field: keyof ListingDraft;
  name: string;
  words: string;
}

/** Every value of a listing that a person may compare, in words. */
export function differenceValues(draft: ListingDraft, sheet: RuleSheet): DraftValue[] {
  const money = (amount: number) => formatMoney(amount, sheet.currency);
  const category = sheet.categories.find((c) => c.id === draft.category);
  const one = (field: keyof ListingDraft, name: string, words: string): DraftValue => ({
    key: field,
    field,
    name,
    words,
  });
  const of = (field: 'specifics' | 'answers', id: string, name: string, words: string): DraftValue => ({
    key: `${field} ${id}`,
    field,
    name,
    words,
  });
  const { auction, search, terms, paid, choices, depotNo } = draft;
  return [
    one('title', 'Title', draft.title),
    one('description', 'Description', draft.description),
    one('price', 'Price', money(draft.price)),
    one('postage', 'Postage', money(draft.postage)),
    one('category', 'Category', category?.name ?? draft.category),
    one(
      'condition',
      'Condition',
      sheet.conditions.find((c) => c.code === draft.condition)?.label ?? draft.condition,
    ),
    ...Object.entries(draft.specifics).map(([id, words]) => {
      const field = category?.specifics.find((s) => s.id === id);
      return of('specifics', id, field?.label ?? id, readableValues(field, words));
    }),
    ...Object.entries(draft.answers).map(([id, words]) =>
      of('answers', id, sheet.questions.find((q) => q.id === id)?.label ?? id, words),
    ),
    one('tags', tagsName(sheet.tags), draft.tags.join(', ')),
    one('auction', 'Auction', auction ? auctionWords(auction, money) : ''),
    one(
      'search',
      'What search engines show',
      search ? [search.title, search.description, search.keywords.join(', ')].join(' / ') : '',
    ),
    ...(terms ? termValues(terms, money) : []),
    one(
      'paid',
      'Paid extras',
      [
        ...(paid.promotionBp > 0 ? [`promotion ${paid.promotionBp / 100} %`] : []),
        ...Object.entries(paid.extras).map(([id, words]) => `${extraName(sheet, id)}: ${words}`),
      ].join(', '),
    ),
    one(
      'choices',
      choices && isAlike(choices) ? 'Quantity' : 'Variations',
      choices ? choicesWords(choices, money) : '',
    ),
    one('depotNo', 'At their depot', depotNo ?? ''),
  ];
}

type Money = (amount: number) => string;

function auctionWords(auction: NonNullable<ListingDraft['auction']>, money: Money): string {
  return [
    `opens at ${money(auction.opening)}`,
    `${auction.days} days`,
    `put up again ${auction.again} times`,
    auction.outright === null ? '' : `outright ${money(auction.outright)}`,
    auction.becomes === null ? '' : `then ${money(auction.becomes)}`,
  ]
    .filter(Boolean)
    .join(', ');
}

function choicesWords(choices: DraftChoices, money: Money): string {
  return [
    choices.options.join(' and '),
    ...choices.pieces.map((p) =>
      isAlike(choices)
        ? `${p.stock} of it`
        : `${p.values.join(' ')} (${p.code}) ${money(p.price)}, ${p.stock} there` +
          (p.pictures ? `, in picture ${p.pictures.map((i) => i + 1).join(', ')}` : ''),
    ),
    choices.heldBack ? `${choices.heldBack} held back` : '',
    choices.oneAtATime ? 'one shown at a time' : choices.cap == null ? '' : `at most ${choices.cap} shown`,
  ]
    .filter(Boolean)
    .join('; ');
}

const extraName = (sheet: RuleSheet, id: string) =>
  sheet.fees.rules.flatMap((r) => (r.type === 'extra' && r.id === id ? [r.label] : []))[0] ?? id;

const WAYS = { marketplace: 'the marketplace’s way', transfer: 'transfer', cash: 'cash' };

function termValues(terms: SentTerms, money: (amount: number) => string): DraftValue[] {
  const { handlingDays, returnDays, returnsPaidBy, abroad, further, payment, taxBp, collect } = terms;
  const said: [keyof SentTerms, string, string | undefined][] = [
    ['handlingDays', 'Handling time', handlingDays === undefined ? undefined : `${handlingDays} days`],
    [
      'returnDays',
      'Returns accepted within',
      returnDays === undefined ? undefined : returnDays === 0 ? 'not at all' : `${returnDays} days`,
    ],
    [
      'returnsPaidBy',
      'Sending back is paid by',
      returnsPaidBy && { buyer: 'the buyer', seller: 'you' }[returnsPaidBy],
    ],
    ['abroad', 'Postage abroad', abroad?.map((a) => `${a.zone} ${money(a.price)}`).join(', ')],
    ['further', 'Each further piece', further === undefined ? undefined : money(further)],
    ['payment', 'Paid by', payment?.map((way) => WAYS[way]).join(', ')],
    ['taxBp', 'Tax in the price', taxBp === undefined ? undefined : `${taxBp / 100} %`],
    ['collect', 'May be fetched', collect === undefined ? undefined : collect ? 'yes' : 'no'],
  ];
  return said.flatMap(([id, name, words]) =>
    words === undefined ? [] : [{ key: `terms ${id}`, field: 'terms' as const, name, words }],
  );
}
