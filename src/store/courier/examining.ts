import { startTransition, useEffect, useMemo, useState } from 'react';

import { planId, type Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import type { ExaminedThere } from '@/workers/check.worker';

import { checking } from './checking';
import { useCourier } from './courierLink';
import { examine } from './sending';

/**
 * The item examined for every marketplace whose sheet is known: at once when it is opened, and then, as the
 * person types, in the worker. Until the worker has answered, what it said last stands.
 */
export function useExamined(item: Item): Examined[] {
  const sheets = useCourier((s) => s.sheets);
  const views = useCourier((s) => s.items);
  const plans = useAttic((s) => s.plans);
  const pictures = useAttic((s) => s.pictures);
  const settings = useAttic((s) => s.settings);
  const mappings = useAttic((s) => s.mappings);
  const terms = useAttic((s) => s.terms);
  const tree = useKinds();
  const [opened] = useState(() => item);
  const [said, setSaid] = useState<{ sheets: unknown; list: ExaminedThere[] } | null>(null);
  const first = useMemo(() => sheets.map((sheet) => examine(opened, sheet)), [opened, sheets]);
  useEffect(() => {
    let newest = true;
    void checking.examine(item).then((list) => {
      // All cards show it: bit by bit, keeping no tap waiting.
      if (newest && list.length === sheets.length) startTransition(() => setSaid({ sheets, list }));
    });
    return () => {
      newest = false;
    };
  }, [item, sheets, views, plans, pictures, settings, mappings, terms, tree]);
  return useMemo(() => {
    if (said?.sheets !== sheets) return first;
    // Plan and sheet are the page's own: what was just chosen never looks undone while the worker thinks.
    return said.list.flatMap(({ market, ...rest }) => {
      const sheet = sheets.find((s) => s.marketplace === market);
      return sheet ? [{ ...rest, sheet, plan: plans[planId(item.id, market)] }] : [];
    });
  }, [said, first, sheets, plans, item.id]);
}
