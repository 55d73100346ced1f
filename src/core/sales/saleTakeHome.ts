import type { Sale } from '@/contract/courier';
import type { Thing } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { KindTree } from '../kinds/tree';
import { weightOf } from '../listing/effective';
import { PACKAGING, postageFor } from '../postage/bands';
import { parentsOf, takeHomeOf, type TakeHome } from '../price/takeHome';

/**
 * What a sale leaves: with the fees the marketplace charged where it said them, with its published
 * schedule otherwise.
 *
 * @param category the listing's category there
 */
export function saleTakeHome(
  sale: Sale,
  thing: Thing | undefined,
  sheet: RuleSheet,
  category: string,
  kinds: KindTree,
): TakeHome {
  const collected = sheet.handover === 'collect';
  const computed = takeHomeOf(
    {
      price: sale.amount,
      postageCharged: sale.postage,
      postageCost: collected || !thing ? 0 : (postageFor(weightOf(thing, kinds)) ?? 0),
      packaging: collected ? 0 : PACKAGING,
      category,
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
