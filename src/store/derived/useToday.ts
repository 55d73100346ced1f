import { useMemo } from 'react';

import { endings } from '@/core/consign/endings';
import { isAlarm, todayLines, type TodayLine } from '@/core/sales/today';
import { talksByItem } from '@/core/talks/talks';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useAuctions } from '@/store/courier/auctions';
import { useCourier } from '@/store/courier/courierLink';
import { examine, type Around } from '@/store/courier/sending';
import { useTalks } from '@/store/fulfilment/talks';
import { useKinds } from '@/store/items/kinds';

import { useMoneyOff } from './useMoney';
import { useOrders } from './useOrders';

/** Everything that needs a person, worst first. */
export function useToday(): TodayLine[] {
  const items = useAttic((s) => s.items);
  const around = useBearing();
  const { plans, settings } = around;
  const courier = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const markets = useCourier((s) => s.markets);
  const caughtUp = useCourier((s) => s.caughtUp);
  const orders = useOrders();
  const moneyOff = useMoneyOff();
  const auctions = useAuctions((s) => s.auctions);
  const owners = useAttic((s) => s.owners);
  const heard = useTalks((s) => s.talks);
  const collects = useCollects();
  const talks = useMemo(() => talksByItem(heard), [heard]);
  const now = useTime(MINUTE);
  return useMemo(
    () =>
      todayLines({
        items,
        // Until the courier has told all it knows, a listing may only look unsent.
        plans: caughtUp ? Object.values(plans) : [],
        courier,
        orders,
        talks,
        collects,
        moneyOff,
        auctions,
        endings: caughtUp
          ? endings(
              Object.values(items),
              owners,
              (id) => courier[id]?.listings.some((l) => l.state === 'live') ?? false,
              (id) => courier[id]?.sale != null,
              now,
              settings.patienceDays,
            )
          : [],
        now,
        tonight: new Date(now).setHours(24, 0, 0, 0),
        byHand: new Set(markets.filter((m) => m.byHand).map((m) => m.id)),
        findings: (item, market) => {
          const sheet = sheets.find((s) => s.marketplace === market);
          return sheet ? examine(item, sheet, around).findings : [];
        },
      }),
    [
      items,
      plans,
      settings,
      around,
      courier,
      markets,
      sheets,
      caughtUp,
      orders,
      talks,
      collects,
      moneyOff,
      auctions,
      owners,
      now,
    ],
  );
}

/** Where buyers write before they come: none of those that could not be asked who wrote. */
function useCollects(): ReadonlySet<string> {
  const sheets = useCourier((s) => s.sheets);
  const missing = useTalks((s) => s.missing);
  const readAt = useTalks((s) => s.readAt);
  const isRead = readAt !== null;
  return useMemo(() => {
    const silent = new Set(missing.map((m) => m.market));
    const there = sheets.filter((s) => s.handover === 'collect' && !silent.has(s.marketplace));
    return new Set(isRead ? there.map((s) => s.marketplace) : []);
  }, [sheets, missing, isRead]);
}

/** What of the attic bears on listings besides the items. */
function useBearing(): Around {
  const plans = useAttic((s) => s.plans);
  const pictures = useAttic((s) => s.pictures);
  const settings = useAttic((s) => s.settings);
  const mappings = useAttic((s) => s.mappings);
  const terms = useAttic((s) => s.terms);
  const stencils = useAttic((s) => s.stencils);
  const patterns = useAttic((s) => s.patterns);
  const tree = useKinds();
  return useMemo(
    () => ({ plans, pictures, settings, mappings, terms, stencils, patterns, tree }),
    [plans, pictures, settings, mappings, terms, stencils, patterns, tree],
  );
}

const NO_FINDINGS = { plans: [], orders: [], now: 0, tonight: 0, findings: () => [] };

/** How many promises to buyers are at risk just now. */
export function useAlarmCount(): number {
  const courier = useCourier((s) => s.items);
  const items = useAttic((s) => s.items);
  return useMemo(
    () => todayLines({ items, courier, ...NO_FINDINGS }).filter(isAlarm).length,
    [items, courier],
  );
}
