import { View } from 'react-native';

import type { CourierItemView } from '@/contract/courier';
import { planId, type Plan } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { signLabel, signState } from '@/core/listing/signState';

import { ListingSign } from './ListingSign';
import { OpenSign } from './OpenSign';

export interface ListingSignsProps {
  itemId: string;
  view: CourierItemView | undefined;
  plans: Readonly<Record<string, Plan>>;
  sheets: readonly RuleSheet[];
  currency: string;
  size?: number;
  /** Those that are live lead to their own pages. */
  links?: boolean;
}

/** A row of windows: one glance says where an item stands. */
export function ListingSigns(props: ListingSignsProps) {
  const { itemId, view, plans, sheets, currency, size, links = false } = props;
  return (
    <View role="group" aria-label="Where it is listed" style={{ flexDirection: 'row', gap: 5 }}>
      {sheets.map((sheet) => {
        const listing = view?.listings.find((l) => l.market === sheet.marketplace);
        const plan = plans[planId(itemId, sheet.marketplace)];
        const label = signLabel(sheet.name, listing, plan, currency);
        return (
          <OpenSign key={sheet.marketplace} listing={links ? listing : undefined} label={label}>
            <ListingSign letters={sheet.letters} state={signState(listing, plan)} label={label} size={size} />
          </OpenSign>
        );
      })}
    </View>
  );
}
