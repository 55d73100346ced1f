import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { BackTo } from '@/parts/ui/BackTo';
import { Calendar } from '@/parts/ui/Calendar';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { nameOr } from '@/store/items/names';

/** What goes where when: listings the courier holds until their time, on a calendar and in a list. */
export function Planned() {
  const router = useRouter();
  const views = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const items = useAttic((s) => s.items);
  const [now] = useState(() => Date.now());
  const planned = useMemo(
    () =>
      Object.values(views)
        .flatMap((view) =>
          view.listings
            .filter((l) => l.doing === 'publish' && l.tries === 0 && (l.nextTryAt ?? 0) > now)
            .map((l) => ({ id: view.id, market: l.market, title: l.title, at: l.nextTryAt ?? 0 })),
        )
        .sort((a, b) => a.at - b.at),
    [views, now],
  );
  const sheetOf = (market: string) => sheets.find((s) => s.marketplace === market);
  return (
    <Page title="Schedule" aside={<BackTo path="/connections" />}>
      {planned.length === 0 ? (
        <Text tone="soft">
          Nothing is planned for later. A time is chosen under “When”, at a marketplace of an item, or for
          many at once in the crosslist view.
        </Text>
      ) : (
        <>
          <Calendar
            label="Planned listings on a calendar"
            from={now}
            marks={planned.map((p) => ({ at: p.at, words: sheetOf(p.market)?.letters ?? '' }))}
          />
          <View role="list" aria-label="Planned listings">
            {planned.map((p) => (
              <View key={`${p.id} ${p.market}`} role="listitem">
                <LinkRow
                  words={nameOr(items[p.id], p.title)}
                  more={`${sheetOf(p.market)?.name ?? p.market}, ${exactly(p.at)}`}
                  onPress={() => router.navigate(`/item/${p.id}?at=markets`)}
                />
              </View>
            ))}
          </View>
        </>
      )}
    </Page>
  );
}
