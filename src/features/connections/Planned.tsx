import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { Calendar } from '@/parts/Calendar';
import { LinkRow } from '@/parts/LinkRow';
import { Page } from '@/parts/Page';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useCourier } from '@/store/courierLink';
import { nameOr } from '@/store/names';

import { BackTo } from '../shell/BackTo';
import { exactly } from '../shell/time';

/** What goes where when: listings the courier holds until their time, on a calendar and in a list. */
export function Planned() {
  const router = useRouter();
  const views = useCourier((s) => s.things);
  const sheets = useCourier((s) => s.sheets);
  const things = useAttic((s) => s.things);
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
    <Page title="What goes when" aside={<BackTo path="/connections" />}>
      {planned.length === 0 ? (
        <Words tone="soft">
          Nothing is planned for later. A time is chosen under “When”, at a marketplace of a thing, or for
          many at once in the crosslist view.
        </Words>
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
                  words={nameOr(things[p.id], p.title)}
                  more={`${sheetOf(p.market)?.name ?? p.market}, ${exactly(p.at)}`}
                  onPress={() => router.navigate(`/thing/${p.id}?at=markets`)}
                />
              </View>
            ))}
          </View>
        </>
      )}
    </Page>
  );
}
