import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { changedSince, hasBlockers, type Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { ChangedValues, differencesOf } from '@/parts/trade/ChangedValues';
import { goTo } from '@/parts/trade/goTo';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { send } from '@/store/courier/sending';
import { useSentDrafts } from '@/store/derived/useSentDrafts';
import { findingWords } from '@/wording/check';

/**
 * What can be sent of an item: where it is not yet, where what is up would change, and where something stands
 * against it.
 */
function useSendable(item: Item, examined: readonly Examined[]) {
  const view = useCourier((s) => s.items[item.id]);
  const fresh: Examined[] = [];
  const changed: Examined[] = [];
  const stopped: Examined[] = [];
  if (!view?.sale)
    for (const e of examined) {
      if (!e.plan?.wanted) continue;
      const listing = view?.listings.find((l) => l.market === e.sheet.marketplace);
      const isDown =
        !listing || listing.state === 'refused' || (listing.state === 'ended' && listing.doing === null);
      if (isDown) (hasBlockers(e) ? stopped : fresh).push(e);
      else if (listing.want === 'live' && listing.doing === null && changedSince(e, listing.draftHash))
        changed.push(e);
    }
  return { fresh, changed, stopped, view };
}

/**
 * Sends an item where it is planned; where it is up already, only what the person saw change, each by itself
 * or all together.
 */
export function SendBar({ item, examined }: { item: Item; examined: readonly Examined[] }) {
  const currency = useAttic((s) => s.settings.currency);
  const { fresh, changed, stopped, view } = useSendable(item, examined);
  const [progress, setProgress] = useState<string | null>(null);
  const [troubles, setTroubles] = useState<{ name: string; why: string }[]>([]);
  const sendTo = async (some: readonly Examined[], seen: boolean) => {
    setTroubles([]);
    const bad: { name: string; why: string }[] = [];
    for (const e of some) {
      setProgress(`Sending to ${e.sheet.name}…`);
      try {
        await send(item, e.sheet, seen);
      } catch (error) {
        bad.push({ name: e.sheet.name, why: wordsFor(error, 'sending') });
      }
    }
    setTroubles(bad);
    setProgress(null);
  };
  const names = fresh.map((e) => e.sheet.name);
  const home = fresh.flatMap((e) => (e.takeHome ? [e.takeHome.takeHome] : []));
  const where =
    stopped.length > 0
      ? `${fresh.length} of ${fresh.length + stopped.length}`
      : names.length > 2
        ? `${names.length} marketplaces`
        : names.join(' and ');
  return (
    <View style={{ gap: 8 }}>
      {troubles.map((t) => (
        <Notice key={t.name} tone="trouble">{`${t.name}: ${t.why}`}</Notice>
      ))}
      {home.length > 0 ? (
        <Text tone="soft" figures>
          {plural(
            home.length,
            `Take-home ${formatMoney(home[0] ?? 0, currency)}.`,
            `Take-home ${formatMoney(Math.min(...home), currency)} to ` +
              `${formatMoney(Math.max(...home), currency)}, wherever it sells first.`,
          )}
        </Text>
      ) : null}
      {fresh.length > 0 ? stopped.map((e) => <NotThere key={e.sheet.marketplace} examined={e} />) : null}
      {fresh.length > 0 || progress ? (
        <Button
          variant="main"
          icon="send"
          disabled={progress !== null}
          onPress={() => void sendTo(fresh, false)}
        >
          {progress ?? `Send to ${where}`}
        </Button>
      ) : null}
      {changed.length > 0 ? (
        <Changes
          item={item}
          changed={changed}
          version={view}
          busy={progress !== null}
          onSend={(some) => void sendTo(some, true)}
        />
      ) : null}
    </View>
  );
}

/** Where it is planned and does not go, and why. */
function NotThere({ examined }: { examined: Examined }) {
  const blocker = examined.findings.find((f) => f.level === 'blocker');
  if (!blocker) return null;
  return (
    <Notice tone="caution" onPress={() => goTo(blocker.field)}>
      {`Not to ${examined.sheet.name}: ${findingWords(blocker)}`}
    </Notice>
  );
}

/** What would change where it is up, old and new; nothing goes before both were seen. */
function Changes(props: {
  item: Item;
  changed: readonly Examined[];
  version: unknown;
  busy: boolean;
  onSend: (some: readonly Examined[]) => void;
}) {
  const { item, changed, version, busy, onSend } = props;
  const { drafts, trouble } = useSentDrafts([item.id], version);
  const there = drafts[item.id];
  const known = changed.flatMap((e) => {
    const draft = there?.[e.sheet.marketplace];
    return draft ? [{ e, draft }] : [];
  });
  return (
    <View role="group" aria-label="What changes where" style={{ gap: 10 }}>
      {known.map(({ e, draft }) => {
        const { name, marketplace } = e.sheet;
        return (
          <View key={marketplace} style={{ gap: 6 }}>
            <Text variant="strong">{`${name} would change`}</Text>
            <ChangedValues label={`What changes on ${name}`} values={differencesOf(e, draft)} />
            <Button disabled={busy} onPress={() => onSend([e])}>
              {`Change it on ${name}`}
            </Button>
          </View>
        );
      })}
      {known.length > 1 ? (
        <Button variant="main" icon="send" disabled={busy} onPress={() => onSend(known.map(({ e }) => e))}>
          {`Change it on all ${known.length}`}
        </Button>
      ) : null}
      {trouble ? <Notice tone="trouble">{`What is shown there could not be read: ${trouble}`}</Notice> : null}
      {!trouble && !there ? <Text tone="soft">What is shown there is being read…</Text> : null}
    </View>
  );
}
