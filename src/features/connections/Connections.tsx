import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { MarketView } from '@/contract/courier';
import { plural } from '@/core/language/plural';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { ListDetail } from '@/parts/ui/ListDetail';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { compareNow, link } from '@/store/courier/connections';
import { useCourier } from '@/store/courier/courierLink';
import { otherListingsNow } from '@/store/courier/otherListings';
import { saveShop } from '@/store/courier/shopExport';
import { useWaitingThere } from '@/store/courier/waitingThere';
import { useWide } from '@/theme/theme';
import { troubleWords } from '@/wording/courier';

import { Coupons } from './Coupons';

/** The marketplaces: who lets us in, what waits, and the way to terms and to how kinds translate. */
export function Connections() {
  const wide = useWide();
  const markets = useCourier((s) => s.markets);
  if (wide && markets.length > 0) return <ConnectionsDesk markets={markets} />;
  return (
    <Page title="Marketplaces" back="/attic">
      <ForAll />
      {markets.map((market) => (
        <Connection key={market.id} market={market} />
      ))}
    </Page>
  );
}

function ConnectionsDesk({ markets }: { markets: readonly MarketView[] }) {
  const router = useRouter();
  const { market: id } = useLocalSearchParams<{ market?: string }>();
  const here = markets.find((m) => m.id === id) ?? markets[0];
  return (
    <ListDetail
      title="Marketplaces"
      back="/attic"
      lines={markets.map((market) => ({
        id: market.id,
        name: market.name,
        words: market.name,
        more: stateOf(market),
        marked: market.locked,
      }))}
      here={here?.id ?? null}
      onHere={(next) => router.setParams({ market: next })}
      above={<ForAll />}
    >
      {here ? <Connection key={here.id} market={here} /> : null}
    </ListDetail>
  );
}

/** What is said of all of them, and what is done with all. */
function ForAll() {
  const router = useRouter();
  return (
    <>
      <Text tone="soft">
        The courier keeps the keys: no page ever sees one. A paused marketplace is sent nothing new, but what
        sells elsewhere is still taken down there.
      </Text>
      <LinkRow
        words="Schedule"
        more="listings planned for later, on a calendar"
        onPress={() => router.navigate('/planned')}
      />
      <LinkRow
        words="Import listings"
        more="what is listed already, looked after from now on"
        onPress={() => router.navigate('/bring-in')}
      />
    </>
  );
}

function Connection({ market }: { market: MarketView }) {
  const waiting = useWaitingThere(market.id);
  const isShop = useCourier((s) => !!s.sheets.find((x) => x.marketplace === market.id)?.search);
  const allowance = useCourier((s) => s.sheets.find((x) => x.marketplace === market.id)?.monthlyAllowance);
  const { name } = market;
  const needsCode = market.locked || market.link === 'off';
  return (
    <Card label={name} tone={market.locked ? 'trouble' : undefined}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>
          {name}
        </Text>
        <Text tone={market.locked ? 'trouble' : 'soft'}>{stateOf(market)}</Text>
      </View>
      {market.trouble && !market.locked && market.link !== 'off' ? (
        <Notice tone="caution">{troubleWords(market.trouble)}</Notice>
      ) : null}
      {waiting > 0 ? (
        <Text tone="soft" figures>
          {plural(waiting, 'One item waits to be done there.', `${waiting} items wait to be done there.`)}
        </Text>
      ) : null}
      {market.byHand ? (
        <Text tone="soft">
          It has no way to be called. The app prepares everything, you copy it over, and you tick off what you
          took down.
        </Text>
      ) : needsCode ? (
        <LetIn market={market} />
      ) : (
        <LinkDeeds market={market} />
      )}
      {isShop ? <SaveShop market={market} /> : null}
      {isShop && !needsCode ? <Coupons market={market} /> : null}
      {market.comparedAt === null ? null : (
        <Text
          variant="small"
          tone="soft"
        >{`What it shows was compared ${agoWords(market.comparedAt)}.`}</Text>
      )}
      {allowance === undefined ? null : (
        <Text variant="small" tone="soft" figures>
          {`${otherListingsNow().thisMonth[market.id] ?? 0} of this month’s ${allowance} new ` +
            'listings are used.'}
        </Text>
      )}
      <Ways market={market} />
    </Card>
  );
}

/** Testing, pausing, comparing, disconnecting; and what came of it. */
function LinkDeeds({ market }: { market: MarketView }) {
  const { run, busy, trouble } = useAsyncAction();
  const [said, setSaid] = useState<string | null>(null);
  const { name } = market;
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          label={`Test ${name}`}
          disabled={busy}
          onPress={() =>
            run(async () => {
              setSaid(null);
              const ms = await link(market.id, { type: 'test' });
              setSaid(`It answers, in ${ms === null ? 'time' : `${(ms / 1_000).toFixed(1)} seconds`}.`);
            })
          }
        >
          Test
        </Button>
        <Button
          label={market.link === 'paused' ? `Go on with ${name}` : `Pause ${name}`}
          disabled={busy}
          onPress={() => run(() => link(market.id, { type: market.link === 'paused' ? 'resume' : 'pause' }))}
        >
          {market.link === 'paused' ? 'Go on' : 'Pause'}
        </Button>
        <Button
          label={`Compare what ${name} shows`}
          disabled={busy}
          onPress={() =>
            run(async () => {
              setSaid(null);
              const strays = await compareNow(market.id);
              setSaid(
                strays === 0
                  ? 'It shows just what it should.'
                  : plural(
                      strays,
                      'One listing was not as it should be: see Today.',
                      `${strays} listings were not as they should be: see Today.`,
                    ),
              );
            })
          }
        >
          Compare
        </Button>
        <Button
          variant="quiet"
          label={`Disconnect ${name}`}
          disabled={busy}
          onPress={() => run(() => link(market.id, { type: 'disconnect' }))}
        >
          Disconnect
        </Button>
      </View>
      {said ? <Notice tone="good">{said}</Notice> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}

/** To its depot, its terms, and how kinds translate there. */
function Ways({ market }: { market: MarketView }) {
  const router = useRouter();
  const { name } = market;
  const terms = useAttic((s) => Object.values(s.terms).filter((t) => t.market === market.id).length);
  const stencils = useAttic((s) => Object.values(s.stencils).filter((t) => t.market === market.id).length);
  const mapped = useAttic(
    (s) => Object.values(s.mappings).filter((m) => m.market === market.id && m.category !== null).length,
  );
  const hasDepot = useCourier((s) => s.sheets.find((x) => x.marketplace === market.id)?.depot === true);
  const kept = useAttic((s) => Object.values(s.items).filter((t) => t.depot?.market === market.id).length);
  return (
    <>
      <LinkRow
        words="To look at"
        label={`To look at on ${name}`}
        more="what it refused or would refuse, new rules, what ends soon"
        onPress={() => router.navigate(`/to-look-at?market=${market.id}`)}
      />
      {hasDepot ? (
        <LinkRow
          words="Depot"
          label={`Depot of ${name}`}
          more={kept === 0 ? 'it can store and post items for you' : `${kept} there or on their way`}
          onPress={() => router.navigate(`/depot?market=${market.id}`)}
        />
      ) : null}
      <LinkRow
        words="Terms"
        label={`Terms of ${name}`}
        more={terms === 0 ? 'none made: the carrier’s postage' : `${terms} made`}
        onPress={() => router.navigate(`/terms?market=${market.id}`)}
      />
      <LinkRow
        words="Stencils"
        label={`Stencils of ${name}`}
        more={stencils === 0 ? 'none kept: every listing is set up by itself' : `${stencils} kept`}
        onPress={() => router.navigate(`/stencils?market=${market.id}`)}
      />
      <LinkRow
        words="Kinds and categories"
        label={`Kinds and categories of ${name}`}
        more={mapped === 0 ? 'all suggested so far' : `${mapped} decided`}
        onPress={() => router.navigate(`/mappings?market=${market.id}`)}
      />
    </>
  );
}

/** The seller's own shop: all of it as files, to be put anywhere. */
function SaveShop({ market }: { market: MarketView }) {
  const { run, busy, trouble } = useAsyncAction();
  const [said, setSaid] = useState('');
  return (
    <View style={{ gap: 8 }}>
      <Button
        icon="pictures"
        label={`Save ${market.name} as files`}
        disabled={busy}
        onPress={() =>
          run(async () => {
            const count = await saveShop(market.id, (done, of) => setSaid(`${done} of ${of}…`));
            setSaid(
              `${plural(count, 'One item', `${count} items`)} saved as shop.zip: unpack it and ` +
                'open index.html.',
            );
          })
        }
      >
        {busy ? said || 'Making the pages…' : 'Save the shop as files'}
      </Button>
      {said && !busy ? <Notice tone="good">{said}</Notice> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}

/** Fetch a code there, bring it here. */
function LetIn({ market }: { market: MarketView }) {
  const { run, busy, trouble } = useAsyncAction();
  const [code, setCode] = useState('');
  return (
    <View style={{ gap: 8 }}>
      <Text>
        {market.link === 'off'
          ? 'Not connected: nothing is sent there and nothing is heard from it.'
          : 'Its key has run out. What you send waits here and goes as soon as it lets us in again.'}
      </Text>
      {market.accessPage ? (
        <Button
          icon="outside"
          label={`Fetch a code on ${market.name}`}
          onPress={() => window.open(market.accessPage ?? '', '_blank', 'noopener')}
        >
          Fetch a code there
        </Button>
      ) : null}
      <Field
        label={`Code from ${market.name}`}
        value={code}
        pause={0}
        maxLength={200}
        keyboard="number-pad"
        onChange={setCode}
      />
      <Button
        variant="main"
        label={`Connect ${market.name}`}
        disabled={busy || code.trim() === ''}
        onPress={() => run(() => link(market.id, { type: 'connect', code: code.trim() }))}
      >
        Connect
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}

function stateOf(market: MarketView): string {
  if (market.byHand) return 'by hand';
  if (market.link === 'off') return 'not connected';
  if (market.locked) return 'needs a new code';
  if (market.link === 'paused') return 'paused';
  if (market.resting) return 'fails, tried now and then';
  return market.health === 'away' ? 'does not answer' : 'connected';
}
