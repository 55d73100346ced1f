import { ConnectionTested, type ConnectionWish } from '@/contract/courier';
import { CompareAnswer } from '@/contract/ownListing';
import { unlessExpected } from '@/store/base/faults';

import { ask, askWith, loadSheets } from './courierLink';

/**
 * Connects, pauses, disconnects or tests a marketplace.
 *
 * @returns how long it took to answer a test, milliseconds
 * @throws CourierTrouble with words for a person
 */
export async function link(market: string, wish: ConnectionWish): Promise<number | null> {
  const answer = await askWith(`/connections/${market}`, wish);
  const { milliseconds } = ConnectionTested.parse(await answer.json());
  if (wish.type === 'connect') void loadSheets().catch(unlessExpected('reading the rules of marketplaces'));
  return milliseconds;
}

/**
 * Has what a marketplace shows compared with what should be there, now.
 *
 * @returns how many listings were not as they should be
 * @throws CourierTrouble with words for a person
 */
export async function compareNow(market: string): Promise<number> {
  const answer = await ask(`/own/${market}/compare`, { method: 'POST' });
  return CompareAnswer.parse(await answer.json()).strays;
}
