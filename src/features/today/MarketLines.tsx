import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import type { MarketView } from '@/contract/courier';
import { listedNotHere } from '@/core/copy/listedNotHere';
import { counted } from '@/core/words/listed';
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
  const views = useCourier((s) => s.things);
  const things = useAttic((s) => s.things);
  const lost = useMemo(() => listedNotHere(views, things).length, [views, things]);
  return useMemo(
    () => ({
      locked: markets.filter((m) => m.locked && m.link !== 'off'),
      strangers: markets.filter((m) => m.unknown > 0 && m.link !== 'off'),
      changed: sheets.filter((s) => s.version !== (seen[s.marketplace] ?? 1)),
      lost,
    }),
    [markets, sheets, seen, lost],
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

/** The courier lists things that this attic has lost. */
export function LostLine({ count }: { count: number }) {
  const router = useRouter();
  const one = count === 1;
  return (
    <Card label="Listed, and not in this attic">
      <Words kind="strong" figures>
        {one
          ? 'One thing is listed that is not in this attic'
          : `${count} things are listed that are not in this attic`}
      </Words>
      <Words tone="soft">
        {`The courier still takes ${one ? 'it' : 'them'} down when ${one ? 'it sells' : 'one sells'}, but where ${one ? 'it lies' : 'they lie'} and all else is not known in this browser.`}
      </Words>
      <Press kind="main" onPress={() => router.navigate('/copies')}>
        Read a copy of the attic
      </Press>
    </Card>
  );
}

/** A marketplace shows listings that nobody here looks after. */
export function StrangersLine({ market }: { market: MarketView }) {
  const router = useRouter();
  const one = market.unknown === 1;
  return (
    <Card label={`Not looked after on ${market.name}`}>
      <Words kind="strong" figures>
        {one
          ? `One listing on ${market.name} is not looked after`
          : `${market.unknown} listings on ${market.name} are not looked after`}
      </Words>
      <Words tone="soft">
        {`Nobody takes ${one ? 'it' : 'them'} down when the thing sells elsewhere. Bring ${one ? 'it' : 'them'} in, and the courier does.`}
      </Words>
      <Press label={`Bring in from ${market.name}`} onPress={() => router.navigate('/bring-in')}>
        {one ? 'Bring it in' : 'Bring them in'}
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
  return (
    <Card label={`${sheet.name} has new rules`}>
      <Words kind="strong">{`${sheet.name} has new rules`}</Words>
      <Words figures>
        {live.length + drafts.length === 0
          ? 'Everything of yours still passes.'
          : `${[live.length > 0 ? counted(live.length, 'live listing') : '', drafts.length > 0 ? counted(drafts.length, 'draft') : ''].filter(Boolean).join(' and ')} would be refused now: ${first?.why ?? ''}`}
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
