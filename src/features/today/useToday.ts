import { useMemo } from 'react';

import { isAlarm, todayLines, type TodayLine } from '@/core/sales/today';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { examine } from '@/store/sending';

/** Everything that needs a person, worst first. */
export function useToday(): TodayLine[] {
  const things = useAttic((s) => s.things);
  const plans = useAttic((s) => s.plans);
  const pictures = useAttic((s) => s.pictures);
  const settings = useAttic((s) => s.settings);
  const mappings = useAttic((s) => s.mappings);
  const terms = useAttic((s) => s.terms);
  const courier = useCourier((s) => s.things);
  const sheets = useCourier((s) => s.sheets);
  const markets = useCourier((s) => s.markets);
  const caughtUp = useCourier((s) => s.caughtUp);
  const tree = useKinds();
  return useMemo(
    () =>
      todayLines({
        things,
        // Until the courier has told all it knows, a listing may only look unsent.
        plans: caughtUp ? Object.values(plans) : [],
        courier,
        byHand: new Set(markets.filter((m) => m.byHand).map((m) => m.id)),
        findings: (thing, market) => {
          const sheet = sheets.find((s) => s.marketplace === market);
          return sheet
            ? examine(thing, sheet, { plans, pictures, settings, mappings, terms, tree }).findings
            : [];
        },
      }),
    [things, plans, pictures, settings, mappings, terms, courier, markets, sheets, caughtUp, tree],
  );
}

/** How many promises to buyers are at risk just now. */
export function useAlarmCount(): number {
  const courier = useCourier((s) => s.things);
  const things = useAttic((s) => s.things);
  return useMemo(
    () => todayLines({ things, plans: [], courier, findings: () => [] }).filter(isAlarm).length,
    [things, courier],
  );
}
