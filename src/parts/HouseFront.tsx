import { View } from 'react-native';

import type { CourierThingView } from '@/contract/courier';
import { planId, type Plan } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { windowLabel, windowState } from '@/core/listing/windowState';

import { Window } from './Window';

export interface HouseFrontProps {
  thingId: string;
  view: CourierThingView | undefined;
  plans: Readonly<Record<string, Plan>>;
  sheets: readonly RuleSheet[];
  currency: string;
  size?: number;
}

/** A row of windows: one glance says where a thing stands. */
export function HouseFront({ thingId, view, plans, sheets, currency, size }: HouseFrontProps) {
  return (
    <View role="group" aria-label="Where it is listed" style={{ flexDirection: 'row', gap: 5 }}>
      {sheets.map((sheet) => {
        const listing = view?.listings.find((l) => l.market === sheet.marketplace);
        const plan = plans[planId(thingId, sheet.marketplace)];
        return (
          <Window
            key={sheet.marketplace}
            letters={sheet.letters}
            state={windowState(listing, plan)}
            label={windowLabel(sheet.name, listing, plan, currency)}
            size={size}
          />
        );
      })}
    </View>
  );
}
