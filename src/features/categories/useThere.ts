import { useMemo } from 'react';

import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { categoriesTogether, type KindThere } from '@/core/mapping/together';
import { useAttic } from '@/store/attic/attic';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { useKinds } from '@/store/items/kinds';
import { useMany } from '@/store/items/many';

/** Where one kind goes on one marketplace, with the rules there. */
export interface There extends KindThere {
  sheet: RuleSheet;
}

export const keyOf = (there: KindThere) => `${there.kind} ${there.market}`;

/** All that is chosen, and where it goes, kind by kind. */
export function useThere(): { list: readonly Item[]; there: readonly There[] } {
  const ids = useMany((s) => s.ids);
  const items = useAttic((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const mappings = useAttic((s) => s.mappings);
  const sheets = useUsedSheets();
  const kinds = useKinds();
  return useMemo(() => {
    const list = ids.flatMap((id) => items[id] ?? []);
    const chosen = new Set(ids);
    const own = Object.values(plans).filter((plan) => chosen.has(plan.itemId));
    const found = categoriesTogether(list, own, sheets, kinds, Object.values(mappings));
    const there = found.flatMap((one) => {
      const sheet = sheets.find((s) => s.marketplace === one.market);
      return sheet ? [{ ...one, sheet }] : [];
    });
    return { list, there };
  }, [ids, items, plans, sheets, kinds, mappings]);
}
