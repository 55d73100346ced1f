import { change } from '@/store/attic/attic';
import { planWith } from '@/store/items/items';

import { commanded } from './sending';

/**
 * Another time for what the courier holds; null: at once. Nothing is drawn or sent anew.
 *
 * @throws CourierTrouble with words for a person, where one of them no longer waits
 */
export async function retime(itemId: string, markets: readonly string[], at: number | null): Promise<void> {
  for (const market of markets) {
    await commanded({ type: 'retime', item: itemId, market, notBefore: at });
    change('when it goes', [planWith(itemId, market, { startAt: at })]);
  }
}
