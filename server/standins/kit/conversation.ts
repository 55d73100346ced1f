import { randomBytes } from 'node:crypto';

import type { Store } from './store';

export interface BuyerOffer {
  id: string;
  cents: number;
  at: number;
  state: 'open' | 'accepted' | 'refused' | 'countered' | 'paid' | 'over';
  /** What the seller would take instead. */
  counterCents: number | null;
}

/** A conversation between one buyer and the seller about one listing. */
export interface Conversation {
  id: string;
  /** The buyer's own way in. */
  key: string;
  /** Our name for the listing, and the path of its page. */
  ref: string;
  seen: string;
  what: string;
  who: string;
  lines: { by: 'buyer' | 'seller'; words: string; at: number }[];
  offers: BuyerOffer[];
  changedAt: number;
}

/** What is talked about: whether it is still to be had, and how it is called. */
export interface TalkedAbout {
  ref: string;
  what: string;
  seen: string;
  open: boolean;
}

export function newConversation({ ref, seen, what }: TalkedAbout, who: string): Conversation {
  return {
    id: randomBytes(6).toString('hex'),
    key: randomBytes(8).toString('hex'),
    ref,
    seen,
    what,
    who: who.trim().slice(0, 60),
    lines: [],
    offers: [],
    changedAt: 0,
  };
}

export function withLine(t: Conversation, by: 'buyer' | 'seller', words: string): Conversation {
  return { ...t, lines: [...t.lines, { by, words: words.slice(0, 2_000), at: Date.now() }] };
}

/** A new offer ends those before it. */
export function withOffer(t: Conversation, cents: number): Conversation {
  const before = t.offers.map((o) =>
    o.state === 'open' || o.state === 'countered' ? { ...o, state: 'over' as const } : o,
  );
  const id = randomBytes(4).toString('hex');
  return {
    ...t,
    offers: [...before, { id, cents, at: Date.now(), state: 'open', counterCents: null }],
  };
}

export function withLastOffer(t: Conversation, part: Partial<BuyerOffer>): Conversation {
  return { ...t, offers: t.offers.map((o, i) => (i === t.offers.length - 1 ? { ...o, ...part } : o)) };
}

export async function keepConversation(store: Store, t: Conversation): Promise<void> {
  await store.write([{ sort: 'talk', id: t.id, body: { ...t, changedAt: Date.now() } }]);
}

const ANSWERS = new Map<string, 'accepted' | 'refused' | 'countered'>([
  ['accept', 'accepted'],
  ['refuse', 'refused'],
  ['counter', 'countered'],
]);

/** What the seller answers to an offer; words where it can't be answered like this. */
export function answerOffer(
  t: Conversation,
  { answer, cents }: Record<string, unknown>,
  offer: string,
): Conversation | string {
  const last = t.offers.at(-1);
  if (last?.id !== offer) return 'There is a newer offer, or none.';
  const wanted = ANSWERS.get(String(answer));
  if (!wanted) return 'Accept, refuse or counter.';
  if (last.state === wanted) return t;
  if (last.state !== 'open') return 'It was answered already.';
  if (wanted !== 'countered') return withLastOffer(t, { state: wanted });
  const counterCents = Number(cents);
  if (!Number.isInteger(counterCents) || counterCents <= last.cents)
    return 'A counter is more than was offered.';
  return withLastOffer(t, { state: 'countered', counterCents });
}
