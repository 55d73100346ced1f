import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { formatMoney } from '@/core/money/money';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { loadSheets, useCourier } from '@/store/courierLink';
import { changedSince, hasBlockers, type Examined } from '@/core/listing/examine';
import { send } from '@/store/sending';
import { wordsFor } from '@/store/faults';

import { Section } from '../item/Section';
import { BestPlace } from '../price/BestPlace';
import { useDo } from '../shell/useDo';
import { MarketCard } from './MarketCard';
import { WhatChanges } from './WhatChanges';

/** Everything about selling this thing somewhere: what to send where, what it would bring, and sending it. */
export const Marketplaces = memo(function Marketplaces({
  thing,
  examined,
}: {
  thing: Thing;
  examined: readonly Examined[];
}) {
  const missing = useCourier((s) => s.sheetsMissing);
  const { run, trouble } = useDo();
  return (
    <Section name="markets" title="Marketplaces">
      {examined.length === 0 && missing.length === 0 ? (
        <Words tone="soft">The rule sheets are being read…</Words>
      ) : null}
      {missing.map((m) => (
        <Notice key={m.market} tone="caution">{`The rules of ${m.name} could not be read: ${m.why}`}</Notice>
      ))}
      {missing.length > 0 ? <Press onPress={() => run(loadSheets)}>Read the rules again</Press> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <BestPlace thing={thing} examined={examined} />
      {examined.map((e) => (
        <MarketCard key={e.sheet.marketplace} thing={thing} examined={e} />
      ))}
      <SendBar thing={thing} examined={examined} />
    </Section>
  );
});

/** Those that are wanted, ready, and not there yet or changed since. */
function useToSend(thing: Thing, examined: readonly Examined[]): Examined[] {
  const view = useCourier((s) => s.things[thing.id]);
  if (view?.sale) return [];
  return examined.filter((e) => {
    if (!e.plan?.wanted || hasBlockers(e)) return false;
    const listing = view?.listings.find((l) => l.market === e.sheet.marketplace);
    if (!listing || listing.state === 'refused' || (listing.state === 'ended' && listing.doing === null))
      return true;
    return listing.want === 'live' && listing.doing === null && changedSince(e, listing.draftPrint);
  });
}

function SendBar({ thing, examined }: { thing: Thing; examined: readonly Examined[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const ready = useToSend(thing, examined);
  const [progress, setProgress] = useState<string | null>(null);
  const [troubles, setTroubles] = useState<{ name: string; why: string }[]>([]);
  const sendAll = async () => {
    setTroubles([]);
    const bad: { name: string; why: string }[] = [];
    for (const e of ready) {
      setProgress(`Sending to ${e.sheet.name}…`);
      try {
        await send(thing, e.sheet);
      } catch (error) {
        bad.push({ name: e.sheet.name, why: wordsFor(error, 'sending') });
      }
    }
    setTroubles(bad);
    setProgress(null);
  };
  const names = ready.map((e) => e.sheet.name);
  const home = ready.flatMap((e) => (e.takeHome ? [e.takeHome.takeHome] : []));
  return (
    <View style={{ gap: 8 }}>
      {troubles.map((t) => (
        <Notice key={t.name} tone="trouble">{`${t.name}: ${t.why}`}</Notice>
      ))}
      {ready.length > 0 && home.length > 0 ? (
        <Words tone="soft" figures>
          {home.length === 1
            ? `Take-home ${formatMoney(home[0] ?? 0, currency)}.`
            : `Take-home ${formatMoney(Math.min(...home), currency)} to ${formatMoney(Math.max(...home), currency)}, wherever it sells first.`}
        </Words>
      ) : null}
      <WhatChanges thing={thing} ready={ready} />
      {ready.length > 0 || progress ? (
        <Press kind="main" icon="send" disabled={progress !== null} onPress={() => void sendAll()}>
          {progress ?? `Send to ${names.length > 2 ? `${names.length} marketplaces` : names.join(' and ')}`}
        </Press>
      ) : null}
    </View>
  );
}
