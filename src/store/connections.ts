import { ConnectionTested, type ConnectionWish } from '@/contract/courier';

import { ask, loadSheets } from './courierLink';

/**
 * Connects, pauses, disconnects or tests a marketplace.
 *
 * @returns how long it took to answer a test, milliseconds
 * @throws CourierTrouble with words for a person
 */
export async function link(market: string, wish: ConnectionWish): Promise<number | null> {
  const answer = await ask(`/connections/${market}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(wish),
  });
  const { milliseconds } = ConnectionTested.parse(await answer.json());
  if (wish.do === 'connect') void loadSheets().catch(() => undefined);
  return milliseconds;
}
