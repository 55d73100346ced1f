import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import type { MarketView } from '@/contract/courier';
import { Card } from '@/parts/Page';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { useKinds } from '@/store/kinds';
import { examine } from '@/store/sending';
import { useWaitingThere } from '@/store/waitingThere';

/** Marketplaces that need a person: their key has run out, or their rules are others than those seen last. */
export function useMarketLines() {
  const markets = useCourier((s) => s.markets);
  const sheets = useCourier((s) => s.sheets);
  const seen = useAttic((s) => s.settings.rulesSeen);
  return useMemo(
    () => ({
      locked: markets.filter((m) => m.locked && m.link !== 'off'),
      changed: sheets.filter((s) => s.version !== (seen[s.marketplace] ?? 1)),
    }),
    [markets, sheets, seen],
  );
}

export function LockedLine({ market }: { market: MarketView }) {
  const router = useRouter();
  const waiting = useWaitingThere(market.id);
  return (
    <Card tone="trouble" label={`${market.name} needs a new code`}>
      <Words kind="strong" tone="trouble">{`${market.name} no longer lets us in`}</Words>
      <Words figures>
        {`Its key has run out. ${waiting === 0 ? 'Nothing waits for it.' : waiting === 1 ? 'One thing waits to be done there' : `${waiting} things wait to be done there`}${waiting > 0 ? ' and goes as soon as it lets us in again.' : ''} What sells there is not heard of until then.`}
      </Words>
      <Press kind="trouble" onPress={() => router.navigate('/connections')}>
        Bring a new code
      </Press>
    </Card>
  );
}

/** A marketplace has other rules than before: what of ours no longer passes. */
export function RulesLine({ market }: { market: string }) {
  const router = useRouter();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const views = useCourier((s) => s.things);
  const state = useAttic((s) => s);
  const tree = useKinds();
  const affected = useMemo(() => {
    if (!sheet) return { live: [], drafts: [] };
    const live: { id: string; why: string }[] = [];
    const drafts: { id: string; why: string }[] = [];
    for (const plan of Object.values(state.plans)) {
      const thing = plan.market === market && plan.wanted ? state.things[plan.thingId] : undefined;
      const view = views[plan.thingId];
      if (!thing || view?.sale) continue;
      const blocker = examine(thing, sheet, { ...state, tree }).findings.find((f) => f.level === 'blocker');
      if (!blocker) continue;
      const up = view?.listings.some((l) => l.market === market && l.want === 'live');
      (up ? live : drafts).push({ id: thing.id, why: blocker.message });
    }
    return { live, drafts };
  }, [sheet, views, state, market, tree]);
  if (!sheet) return null;
  const { live, drafts } = affected;
  const first = live[0] ?? drafts[0];
  const count = (n: number, what: string) => (n === 1 ? `1 ${what}` : `${n} ${what}s`);
  return (
    <Card label={`${sheet.name} has new rules`}>
      <Words kind="strong">{`${sheet.name} has new rules`}</Words>
      <Words figures>
        {live.length + drafts.length === 0
          ? 'Everything of yours still passes.'
          : `${[live.length > 0 ? count(live.length, 'live listing') : '', drafts.length > 0 ? count(drafts.length, 'draft') : ''].filter(Boolean).join(' and ')} would be refused now: ${first?.why ?? ''}`}
      </Words>
      {first ? (
        <Press onPress={() => router.navigate(`/thing/${first.id}?at=markets`)}>Look at the first</Press>
      ) : null}
      <Press
        kind="quiet"
        label={`Seen: the new rules of ${sheet.name}`}
        onPress={() => setSettings({ rulesSeen: { ...state.settings.rulesSeen, [market]: sheet.version } })}
      >
        I have seen it
      </Press>
    </Card>
  );
}
