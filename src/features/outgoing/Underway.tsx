import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { isSettled, tallyOf, type Tally } from '@/core/outgoing/outcome';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useRound, type Round } from '@/store/courier/outgoing';
import { cellKey, enqueue } from '@/store/courier/sendQueue';
import { useFollowed, type Followed } from '@/store/derived/useFollowed';
import { nameOr } from '@/store/items/names';
import { useColours } from '@/theme/theme';

/** How far what was sent together has come, and what of it needs a person. Goes on while the page is left. */
export function Underway() {
  const router = useRouter();
  const round = useRound();
  return (
    <Page title="On their way" back="/stock">
      {round ? (
        <OfRound round={round} />
      ) : (
        <Card>
          <Text>What is sent together from stock is followed here.</Text>
          <Button onPress={() => router.navigate('/stock')}>Go to stock</Button>
        </Card>
      )}
    </Page>
  );
}

function OfRound({ round }: { round: Round }) {
  const followed = useFollowed(round);
  const tally = useMemo(() => tallyOf(followed.map((f) => f.outcome)), [followed]);
  const open = followed.filter((f) => ['failed', 'refused', 'byHand'].includes(f.outcome));
  return (
    <>
      <Card label="How far they are">
        <Text variant="heading" figures role="status">
          {headWords(tally, followed.length)}
        </Text>
        <Bar tally={tally} of={followed.length} />
        <Text tone="soft" figures>
          {`${tallyWords(tally)} Begun ${agoWords(round.at)}.`}
        </Text>
        {isSettled(tally) ? null : (
          <Text variant="small" tone="soft">
            It goes on while you work elsewhere, and after a reload.
          </Text>
        )}
      </Card>
      {open.length > 0 ? <ForAPerson open={open} /> : null}
    </>
  );
}

function headWords(tally: Tally, of: number): string {
  const done = tally.there + tally.down + tally.planned;
  return isSettled(tally)
    ? done === of
      ? plural(of, 'It is done', `All ${of} are done`)
      : `${done} of ${of} are done`
    : `${done} of ${of}`;
}

function tallyWords({ waits, going, byHand, planned, there, down, refused, failed }: Tally): string {
  const parts = [
    there > 0 ? `${there} there` : '',
    down > 0 ? `${down} down` : '',
    planned > 0 ? `${planned} wait for their time` : '',
    going > 0 ? `${going} on their way` : '',
    byHand > 0 ? `${byHand} to do by hand` : '',
    waits > 0 ? `${waits} to come` : '',
    refused > 0 ? `${refused} not taken` : '',
    failed > 0 ? `${failed} not sent` : '',
  ].filter(Boolean);
  return parts.length === 0 ? '' : `${parts.join(', ')}.`;
}

function Bar({ tally, of }: { tally: Tally; of: number }) {
  const c = useColours();
  const part = (n: number, colour: string) => (
    <View style={{ flex: n, backgroundColor: colour, minWidth: n > 0 ? 3 : 0 }} />
  );
  const done = tally.there + tally.down;
  return (
    <View
      role="progressbar"
      aria-label="How far they are"
      aria-valuemin={0}
      aria-valuemax={of}
      aria-valuenow={done + tally.planned}
      style={{
        flexDirection: 'row',
        height: 10,
        borderRadius: 5,
        overflow: 'hidden',
        backgroundColor: c.raised,
      }}
    >
      {part(done, c.moss)}
      {part(tally.planned, c.slate)}
      {part(tally.refused + tally.failed, c.brick)}
      {part(tally.waits + tally.going, c.raised)}
    </View>
  );
}

/** What did not get there, each with its reason and the way to put it right. */
function ForAPerson({ open }: { open: readonly Followed[] }) {
  const router = useRouter();
  const items = useAttic((s) => s.items);
  const markets = useCourier((s) => s.markets);
  const failed = open.filter((f) => f.outcome === 'failed');
  return (
    <Card label="For you" tone="trouble">
      <Text variant="heading">{plural(open.length, 'One needs you', `${open.length} need you`)}</Text>
      {failed.length > 0 ? (
        <Button
          onPress={() =>
            enqueue(failed.map(({ item, market, action, seen }) => ({ item, market, action, seen })))
          }
        >
          {plural(failed.length, 'Try it again', `Try those ${failed.length} again`)}
        </Button>
      ) : null}
      <View role="list" aria-label="What needs you">
        {open.map((f) => (
          <View
            key={cellKey(f.item, f.market)}
            role="listitem"
            style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}
          >
            <PictureView id={items[f.item]?.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
            <View style={{ flex: 1 }}>
              <LinkRow
                words={nameOr(items[f.item], 'An item that was removed')}
                more={`${markets.find((m) => m.id === f.market)?.name ?? f.market}: ${f.why}`}
                onPress={() => router.navigate(`/item/${f.item}?at=${f.field}`)}
              />
            </View>
          </View>
        ))}
      </View>
    </Card>
  );
}
