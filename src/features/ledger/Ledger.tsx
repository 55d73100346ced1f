import { useInfiniteQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';

import { takingsOf } from '@/core/ledger/takings';
import { formatMoney } from '@/core/money/money';
import { useUnheard } from '@/parts/trade/Calm';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { queries } from '@/store/base/queries';
import { ledgerFile, ledgerLines, useCourier } from '@/store/courier/courierLink';
import { useSales } from '@/store/derived/useSales';
import { nameOr } from '@/store/items/names';
import { useColours } from '@/theme/theme';

/** Money made so far, by marketplace, and everything the courier did, line by line. */
export function Ledger() {
  const router = useRouter();
  return (
    <Page title="Ledger">
      <Money />
      <Card label="Statements">
        <LinkRow
          words="Payouts"
          more="what marketplaces paid, against what they told"
          onPress={() => router.navigate('/payouts')}
        />
        <LinkRow
          words="Consignors"
          more="what each is owed, and why"
          onPress={() => router.navigate('/owners')}
        />
      </Card>
      <Lines />
    </Page>
  );
}

function Money() {
  const sales = useSales();
  const items = useAttic((s) => s.items);
  const currency = useAttic((s) => s.settings.currency);
  const markets = useCourier((s) => s.markets);
  const figures = sales.flatMap((s) =>
    s.real ? [{ sale: s.sale, takeHome: s.real.takeHome, cost: items[s.itemId]?.cost ?? null }] : [],
  );
  const total = takingsOf(figures);
  const money = (amount: number) => formatMoney(amount, currency);
  const why = useUnheard();
  return (
    <Card label="Takings">
      <Text variant="heading">Takings</Text>
      {total.count === 0 ? <Text tone="soft">{why ?? 'Nothing sold yet.'}</Text> : null}
      {markets.map((market) => {
        const part = takingsOf(figures.filter((f) => f.sale.market === market.id));
        if (part.count === 0) return null;
        return (
          <Row
            key={market.id}
            name={market.name}
            detail={`${part.count} sold for ${money(part.turnover)}`}
            amount={money(part.takeHome)}
          />
        );
      })}
      {total.count > 0 ? (
        <>
          <Row
            name="Take-home"
            detail={`${total.count} sold for ${money(total.turnover)}`}
            amount={money(total.takeHome)}
            strong
          />
          <Row
            name="After cost"
            detail={
              total.costUnknown > 0 ? `cost unknown for ${total.costUnknown}` : 'take-home less what was paid'
            }
            amount={money(total.profit)}
            strong
          />
        </>
      ) : null}
    </Card>
  );
}

function Row(props: { name: string; detail: string; amount: string; strong?: boolean }) {
  const variant = props.strong ? 'strong' : 'body';
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'baseline' }}>
      <View style={{ flex: 1 }}>
        <Text variant={variant}>{props.name}</Text>
        <Text variant="small" tone="soft" figures>
          {props.detail}
        </Text>
      </View>
      <Text variant={variant} figures>
        {props.amount}
      </Text>
    </View>
  );
}

function Lines() {
  const c = useColours();
  const items = useAttic((s) => s.items);
  const markets = useCourier((s) => s.markets);
  const views = useCourier((s) => s.items);
  const { run, busy, trouble } = useAsyncAction();
  const { data, refetch, hasNextPage, fetchNextPage, isFetching } = useInfiniteQuery(
    {
      queryKey: ['ledger'],
      queryFn: ({ pageParam }) => ledgerLines(pageParam),
      // Else its type would be of nothing but undefined.
      initialPageParam: undefined as number | undefined,
      getNextPageParam: ({ more, lines }) => (more ? lines.at(-1)?.seq : undefined),
      gcTime: 0,
    },
    queries,
  );
  const lines = data?.pages.flatMap((page) => page.lines) ?? [];
  // Asked again whenever something happened, so that the list is never behind what the page knows. Without an
  // answer it stays as it was, and the page says that the courier is away.
  useEffect(() => void refetch(), [views, refetch]);
  return (
    <Card label="What the courier did">
      <Text variant="heading">What the courier did</Text>
      <Button
        icon="down"
        disabled={busy}
        onPress={() => run(async () => saveFile(await ledgerFile(), 'courier-ledger.csv'))}
      >
        Save the whole ledger
      </Button>
      {lines.map((line, i) => (
        <View key={`${line.seq}.${i}`} style={{ borderTopWidth: 1, borderColor: c.line, paddingVertical: 5 }}>
          <Text>
            {[
              line.market && (markets.find((m) => m.id === line.market)?.name ?? line.market),
              line.item && nameOr(items[line.item], ''),
            ]
              .filter(Boolean)
              .join(' · ')}
            {line.market || line.item ? ': ' : ''}
            {line.words}
          </Text>
          <Text variant="small" tone="soft" figures>{`${exactly(line.at)} · line ${line.seq}`}</Text>
        </View>
      ))}
      {trouble ? <Text tone="trouble">{trouble}</Text> : null}
      {hasNextPage ? (
        <Button disabled={isFetching} onPress={() => void fetchNextPage()}>
          Show earlier lines
        </Button>
      ) : null}
    </Card>
  );
}
