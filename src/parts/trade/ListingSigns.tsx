import { View } from 'react-native';

import type { CourierItemView } from '@/contract/courier';
import { planId, type Plan } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { signLabel, signState } from '@/core/listing/signState';

import { ListingSign } from './ListingSign';

export interface HouseFrontProps {
  itemId: string;
  view: CourierItemView | undefined;
  plans: Readonly<Record<string, Plan>>;
  sheets: readonly RuleSheet[];
  currency: string;
  size?: number;
}

/** A row of windows: one glance says where an item stands. */
export function ListingSigns({ itemId, view, plans, sheets, currency, size }: HouseFrontProps) {
  return (
    <View role="group" aria-label="Where it is listed" style={{ flexDirection: 'row', gap: 5 }}>
      {sheets.map((sheet) => {
        const listing = view?.listings.find((l) => l.market === sheet.marketplace);
        const plan = plans[planId(itemId, sheet.marketplace)];
        return (
          <ListingSign
            key={sheet.marketplace}
            letters={sheet.letters}
            state={signState(listing, plan)}
            label={signLabel(sheet.name, listing, plan, currency)}
            size={size}
          />
        );
      })}
    </View>
  );
}
