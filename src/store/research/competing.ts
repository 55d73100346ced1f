import { CompetingAnswer, type CompetingOffer } from '@/contract/comps';
import { ask } from '@/store/courier/courierLink';

/**
 * Other sellers' copies of a catalogue record, as they are offered now.
 *
 * @returns null where the marketplace has no such record
 * @throws CourierTrouble with words for a person
 */
export async function askCompeting(market: string, barcode: string): Promise<CompetingOffer[] | null> {
  const query = new URLSearchParams({ market, barcode });
  return CompetingAnswer.parse(await (await ask(`/competing?${query}`)).json()).offers;
}
