import { CarrierRates } from '@/contract/carrier';
import { setSettings, useAttic } from '@/store/attic/attic';
import { repeating } from '@/store/base/repeating';
import { ask } from '@/store/courier/courierLink';

/**
 * Asks the carrier what parcels cost, and keeps it where that is new; without an answer what it said last
 * holds.
 */
async function learnRates(): Promise<void> {
  const rates = CarrierRates.parse(await (await ask('/rates')).json());
  if (JSON.stringify(rates) !== JSON.stringify(useAttic.getState().settings.rates)) setSettings({ rates });
}

/** From now on, at the opening of a page and once a day. @returns stops */
export function beginRates(): () => void {
  return repeating('asking what parcels cost', learnRates, { first: 0, every: 86_400_000 });
}
