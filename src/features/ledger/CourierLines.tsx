import { useInfiniteQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { View } from 'react-native';

import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { saveFile } from '@/store/base/files';
import { queries } from '@/store/base/queries';
import { ledgerFile, ledgerLines, useCourier } from '@/store/courier/courierLink';
import { nameOr } from '@/store/items/names';
import { useColours } from '@/theme/theme';

/** Everything the courier did, line by line. */
export function CourierLines() {
  return (
    <Page title="What the courier did" back="/ledger">
      <Lines />
    </Page>
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
