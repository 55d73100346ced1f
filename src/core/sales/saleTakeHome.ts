import type { CarrierRates } from '@/contract/carrier';
import type { Sale } from '@/contract/courier';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { postedBy } from '../depot/depot';
import type { KindTree } from '../kinds/tree';
import { inlandPostage } from '../listing/effective';
import { PACKAGING } from '../postage/rates';
import { parentsOf, takeHomeOf, type SaleTerms, type TakeHome } from '../price/takeHome';

/**
 * What a sale leaves: with the fees the marketplace charged where it said them, with its published
 * schedule otherwise.
 *
 * @param category the listing's category there
 * @param place how long it was up when it sold, and how many of its month came before it
 */
export function saleTakeHome(
  sale: Sale,
  item: Item | undefined,
  sheet: RuleSheet,
  category: string,
  kinds: KindTree,
  rates: CarrierRates,
  place: Pick<SaleTerms, 'daysListed' | 'listedThisMonth'>,
): TakeHome {
  const fromDepot = sheet.depot === true && postedBy(sale.market, item);
  const collected = sheet.handover === 'collect' || fromDepot;
  const posted = item && inlandPostage(item, kinds, rates);
  const computed = takeHomeOf(
    {
      price: sale.amount,
      postageCharged: sale.postage,
      postageCost: collected || !posted?.ok ? 0 : posted.price,
      packaging: collected ? 0 : PACKAGING,
      category,
      fromDepot,
      ...place,
    },
    sheet.fees,
    parentsOf(sheet),
  );
  if (sale.fees === null || sale.fees === computed.feeTotal) return computed;
  return {
    ...computed,
    fees: [{ label: 'Fees as charged', amount: sale.fees }],
    feeTotal: sale.fees,
    takeHome: computed.takeHome + computed.feeTotal - sale.fees,
  };
}
