import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import type { MarketView } from '@/contract/courier';
import { listedNotHere } from '@/core/copy/listedNotHere';
import { plural } from '@/core/language/plural';
import { listingsOf } from '@/core/warnings/warnings';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useWaitingThere } from '@/store/courier/waitingThere';
import { useWarnings } from '@/store/derived/useWarnings';
import { findingWords } from '@/wording/check';
import { wouldBeRefused } from '@/wording/warnings';

/** Marketplaces that need a person: their key has run out, or their rules are others than those seen last. */
export function useMarketLines() {
  const markets = useCourier((s) => s.markets);
  const sheets = useCourier((s) => s.sheets);
  const seen = useAttic((s) => s.settings.rulesSeen);
  const views = useCourier((s) => s.items);
  const items = useAttic((s) => s.items);
  const lost = useMemo(() => listedNotHere(views, items).length, [views, items]);
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
      <Text variant="strong" tone="trouble">{`${market.name} no longer lets us in`}</Text>
      <Text figures>
        {'Its key has run out. ' +
          `${
            waiting === 0
              ? 'Nothing waits for it.'
              : plural(waiting, 'One item waits to be done there', `${waiting} items wait to be done there`)
          }${waiting > 0 ? ' and goes as soon as it lets us in again.' : ''} ` +
          'What sells there is not heard of until then.'}
      </Text>
      <Button variant="trouble" onPress={() => router.navigate('/connections')}>
        Bring a new code
      </Button>
    </Card>
  );
}

/** The courier lists items that this attic has lost. */
export function LostLine({ count }: { count: number }) {
  const router = useRouter();
  const one = count === 1;
  return (
    <Card label="Listed, and not in this attic">
      <Text variant="strong" figures>
        {one
          ? 'One item is listed that is not in this attic'
          : `${count} items are listed that are not in this attic`}
      </Text>
      <Text tone="soft">
        {`The courier still takes ${one ? 'it' : 'them'} down when ` +
          `${one ? 'it sells' : 'one sells'}, but where ${one ? 'it lies' : 'they lie'} and all else ` +
          'is not known in this browser.'}
      </Text>
      <Button variant="main" onPress={() => router.navigate('/copies')}>
        Read a copy of the attic
      </Button>
    </Card>
  );
}

/** A marketplace shows listings that nobody here looks after. */
export function StrangersLine({ market }: { market: MarketView }) {
  const router = useRouter();
  const one = market.unknown === 1;
  return (
    <Card label={`Not looked after on ${market.name}`}>
      <Text variant="strong" figures>
        {one
          ? `One listing on ${market.name} is not looked after`
          : `${market.unknown} listings on ${market.name} are not looked after`}
      </Text>
      <Text tone="soft">
        {`Nobody takes ${one ? 'it' : 'them'} down when the item sells elsewhere. Bring ` +
          `${one ? 'it' : 'them'} in, and the courier does.`}
      </Text>
      <Button label={`Bring in from ${market.name}`} onPress={() => router.navigate('/bring-in')}>
        {one ? 'Bring it in' : 'Bring them in'}
      </Button>
    </Card>
  );
}

/** A marketplace has other rules than before, or tells of some to come: what of ours no longer passes. */
export function RulesLine({ market }: { market: string }) {
  const router = useRouter();
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const seen = useAttic((s) => s.settings.rulesSeen);
  const { warnings, unchecked } = useWarnings(market);
  if (!sheet) return null;
  const { name, announced, version } = sheet;
  const sort = announced ? 'coming' : 'blocked';
  const refused = wouldBeRefused(listingsOf(warnings, sort));
  const first = warnings.find((w) => w.sort === sort)?.finding;
  const heading = announced ? `${name} tells of new rules` : `${name} has new rules`;
  const since = announced ? `From ${exactly(announced.from)} on: ` : '';
  return (
    <Card label={heading}>
      <Text variant="strong">{heading}</Text>
      <Text figures role="status">
        {refused !== null
          ? `${since}${refused}${first ? `. ${findingWords(first)}` : ''}`
          : unchecked > 0
            ? `${since}What of yours passes is still being checked…`
            : `${since}Everything of yours ${announced ? 'passes' : 'still passes'}.`}
      </Text>
      {refused === null ? null : (
        <Button
          label={`Look at what ${name} would refuse`}
          onPress={() => router.navigate(`/to-look-at?market=${market}`)}
        >
          Look at each of them
        </Button>
      )}
      <Button
        variant="quiet"
        label={`Seen: the new rules of ${name}`}
        onPress={() => setSettings({ rulesSeen: { ...seen, [market]: version } })}
      >
        I have seen it
      </Button>
    </Card>
  );
}
