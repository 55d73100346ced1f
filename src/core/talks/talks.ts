import type { BuyerOffer, Talk } from '@/contract/fulfilment';

export interface TalkOf extends Talk {
  item: string | null;
}

/** The newest offer, where it waits for an answer. */
export function openOffer(talk: Pick<Talk, 'offers'>): BuyerOffer | null {
  const last = talk.offers.at(-1);
  return last?.state === 'open' ? last : null;
}

/** An offer that was taken and is not paid yet. */
export function agreedOffer(talk: Pick<Talk, 'offers'>): BuyerOffer | null {
  const last = talk.offers.at(-1);
  return last?.state === 'accepted' ? last : null;
}

/** Whether it waits for the seller: the buyer spoke last, or an offer is open. */
export function waits(talk: Pick<Talk, 'lines' | 'offers'>): boolean {
  return openOffer(talk) !== null || talk.lines.at(-1)?.by === 'buyer';
}

/** When the buyer spoke or offered last. */
export function waitsSince(talk: Pick<Talk, 'lines' | 'offers' | 'changedAt'>): number {
  const said = talk.lines.filter((l) => l.by === 'buyer').map((l) => l.at);
  return Math.max(0, ...said, ...talk.offers.map((o) => o.at));
}

export interface TalksOfItem {
  item: string | null;
  what: string;
  /** Those that wait first, the highest offer first among them. */
  talks: TalkOf[];
}

/**
 * Conversations by item, so that several buyers of one are seen side by side; those that wait longest first.
 */
export function talksByItem(talks: readonly TalkOf[]): TalksOfItem[] {
  const by = new Map<string, TalkOf[]>();
  for (const t of talks) {
    const key = t.item ?? `${t.market} ${t.ref}`;
    by.set(key, [...(by.get(key) ?? []), t]);
  }
  const groups = [...by.values()].map((all): TalksOfItem => {
    const sorted = [...all].sort(
      (a, b) =>
        Number(waits(b)) - Number(waits(a)) ||
        (openOffer(b)?.amount ?? 0) - (openOffer(a)?.amount ?? 0) ||
        b.changedAt - a.changedAt,
    );
    return { item: sorted[0]?.item ?? null, what: sorted[0]?.what ?? '', talks: sorted };
  });
  const first = (g: TalksOfItem) => {
    const waiting = g.talks.filter(waits).map(waitsSince);
    return waiting.length > 0 ? Math.min(...waiting) : Infinity;
  };
  const newest = (g: TalksOfItem) => Math.max(...g.talks.map((t) => t.changedAt));
  return groups.sort((a, b) => {
    const [x, y] = [first(a), first(b)];
    return x === y ? newest(b) - newest(a) : x - y;
  });
}

/**
 * Several buyers of one item: those that wait first, and of them whoever's offer leaves most.
 *
 * @param leaves what is left of an offer, minor units; null: nothing is offered, or it is not known
 */
export function rankedByLeaves(
  talks: readonly TalkOf[],
  leaves: (talk: TalkOf) => number | null,
): readonly TalkOf[] {
  const known = new Map(talks.map((t) => [t, leaves(t) ?? -Infinity]));
  const of = (t: TalkOf) => known.get(t) ?? -Infinity;
  return [...talks].sort(
    (a, b) => Number(waits(b)) - Number(waits(a)) || (of(b) === of(a) ? 0 : of(b) - of(a)),
  );
}

/** What of the inbox is looked at. */
export const INBOX = ['all', 'waiting', 'offers', 'meetings'] as const;
export type Inbox = (typeof INBOX)[number];

/**
 * The conversations of a part of the inbox, by item; of an item all buyers, as long as one belongs there.
 *
 * @param meets whether a meeting is arranged with this buyer
 */
export function inboxOf(
  groups: readonly TalksOfItem[],
  part: Inbox,
  meets: (talk: TalkOf) => boolean,
): readonly TalksOfItem[] {
  const belongs = (talk: TalkOf): boolean => {
    switch (part) {
      case 'all':
        return true;
      case 'waiting':
        return waits(talk);
      case 'offers':
        return openOffer(talk) !== null || agreedOffer(talk) !== null;
      case 'meetings':
        return meets(talk);
    }
  };
  return groups.filter((g) => g.talks.some(belongs));
}
