import { create } from 'zustand';

import { OwnAnswer, type OwnListing } from '@/contract/ownListing';
import { planId } from '@/contract/records';
import { shownDraft } from '@/core/bringIn/shownDraft';
import { useAttic } from '@/store/attic/attic';
import { editPlan } from '@/store/items/items';

import { asFound } from './bringIn';
import { ask, askWith, command, CourierTrouble, marketsKnown, useCourier } from './courierLink';

/** What a courier whose ledger is new has learned of an attic. */
export interface Relearned {
  done: boolean;
  /** Listings it looks after again. */
  listings: number;
  /** Marketplaces that could not be asked. */
  missing: string[];
  /** Items that may hang at a marketplace that nobody but a person can ask. */
  byHand: number;
}

export const useRelearned = create<{ now: Relearned | null }>(() => ({ now: null }));

/**
 * Has a courier that remembers nothing learn again what is listed: it compares what each marketplace shows,
 * which finds what went out under references of our own; what was brought in goes by other references, which
 * the plans remember.
 */
export async function relearn(): Promise<void> {
  const now: Relearned = { done: false, listings: 0, missing: [], byHand: 0 };
  const tell = () => useRelearned.setState({ now: { ...now } });
  tell();
  const markets = await marketsKnown();
  const plans = Object.values(useAttic.getState().plans);
  for (const market of markets) {
    const planned = plans.filter((p) => p.market === market.id && p.wanted);
    if (market.byHand) {
      now.byHand += planned.filter((p) => p.sentMedia.length > 0).length;
      continue;
    }
    try {
      await askWith(`/own/${market.id}/compare`, {});
      const { listings } = OwnAnswer.parse(await (await ask(`/own/${market.id}`)).json());
      const adopted = new Map(planned.flatMap((p) => (p.adopted === null ? [] : [[p.adopted, p.itemId]])));
      for (const listing of listings) {
        const item = adopted.get(listing.ref);
        if (listing.item !== null || item === undefined || !useAttic.getState().items[item]) continue;
        await adopt(listing, item);
      }
      now.listings += listings.filter((l) => l.item !== null || adopted.has(l.ref)).length;
    } catch (error) {
      if (!(error instanceof CourierTrouble)) throw error;
      now.missing.push(market.name);
    }
    tell();
  }
  now.done = true;
  tell();
}

async function adopt(listing: OwnListing, item: string): Promise<void> {
  const { market, ref, remoteId, url, state, listedAt } = listing;
  const currency = useCourier.getState().sheets.find((s) => s.marketplace === market)?.currency ?? 'EUR';
  const draft = shownDraft(listing, currency);
  await command({ type: 'adopt', item, market, ref, remoteId, url, state, listedAt, draft });
  const { plans, items } = useAttic.getState();
  const plan = plans[planId(item, market)];
  const record = items[item];
  // What the courier learns of it is only what is shown: that is no change of the person's.
  if (plan && record && plan.adoptedHash === null) {
    const { adoptedHash, sentMedia } = asFound(record, plan);
    editPlan(item, market, 'as it was found', { adoptedHash, sentMedia });
  }
}

export function dismissRelearned(): void {
  useRelearned.setState({ now: null });
}
