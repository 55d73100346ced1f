import { create } from 'zustand';

import { OwnAnswer, type OwnListing } from '@/contract/ownListing';
import { planId } from '@/contract/records';
import { shownDraft } from '@/core/bringIn/shownDraft';

import { useAttic } from './attic';
import { asFound } from './bringIn';
import { ask, askWith, command, CourierTrouble, marketsKnown, useCourier } from './courierLink';
import { editPlan } from './things';

/** What a courier whose ledger is new has learned of an attic. */
export interface Relearned {
  done: boolean;
  /** Listings it looks after again. */
  listings: number;
  /** Marketplaces that could not be asked. */
  missing: string[];
  /** Things that may hang at a marketplace that nobody but a person can ask. */
  byHand: number;
}

export const useRelearned = create<{ now: Relearned | null }>(() => ({ now: null }));

/**
 * Has a courier that remembers nothing learn again what is listed: it compares what each marketplace shows, which finds
 * what went out under references of our own; what was brought in goes by other references, which the plans remember.
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
      const adopted = new Map(planned.flatMap((p) => (p.adopted === null ? [] : [[p.adopted, p.thingId]])));
      for (const listing of listings) {
        const thing = adopted.get(listing.ref);
        if (listing.thing !== null || thing === undefined || !useAttic.getState().things[thing]) continue;
        await adopt(listing, thing);
      }
      now.listings += listings.filter((l) => l.thing !== null || adopted.has(l.ref)).length;
    } catch (error) {
      if (!(error instanceof CourierTrouble)) throw error;
      now.missing.push(market.name);
    }
    tell();
  }
  now.done = true;
  tell();
}

async function adopt(listing: OwnListing, thing: string): Promise<void> {
  const { market, ref, remoteId, url, state, listedAt } = listing;
  const currency = useCourier.getState().sheets.find((s) => s.marketplace === market)?.currency ?? 'EUR';
  const draft = shownDraft(listing, currency);
  await command({ type: 'adopt', thing, market, ref, remoteId, url, state, listedAt, draft });
  const { plans, things } = useAttic.getState();
  const plan = plans[planId(thing, market)];
  const record = things[thing];
  // What the courier learns of it is only what is shown: that is no change of the person's.
  if (plan && record && plan.adoptedPrint === null) {
    const { adoptedPrint, sentMedia } = asFound(record, plan);
    editPlan(thing, market, 'as it was found', { adoptedPrint, sentMedia });
  }
}

export function dismissRelearned(): void {
  useRelearned.setState({ now: null });
}
