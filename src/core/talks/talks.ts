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
