import { startOfDay } from 'date-fns';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { plannedItems } from '@/core/planning/planned';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Calendar } from '@/parts/ui/Calendar';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Notice } from '@/parts/ui/Notice';
import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { SECOND, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';
import { retime } from '@/store/courier/planned';
import { nameOr } from '@/store/items/names';

import { DayHours } from './DayHours';

/** What goes where when: what the courier holds until its time, on a calendar, by the hour, in a list. */
export function Planned() {
  const router = useRouter();
  const views = useCourier((s) => s.items);
  const sheets = useCourier((s) => s.sheets);
  const items = useAttic((s) => s.items);
  const now = useTime(15 * SECOND);
  const { run, trouble } = useAsyncAction();
  const planned = useMemo(() => plannedItems(views, now), [views, now]);
  const [chosen, setChosen] = useState<number | null>(null);
  const day = chosen ?? startOfDay(planned[0]?.at ?? now).getTime();
  const lettersOf = (markets: readonly string[]) =>
    markets.map((m) => sheets.find((s) => s.marketplace === m)?.letters ?? m).join(' ');
  const namesOf = (markets: readonly string[]) =>
    markets.map((m) => sheets.find((s) => s.marketplace === m)?.name ?? m).join(', ');
  return (
    <Page title="Schedule" maxWidth={1100} back="/connections">
      {planned.length === 0 ? (
        <Text tone="soft">
          Nothing is planned for later. A time is chosen under “When”, at a marketplace of an item, or for
          many at once where they are listed.
        </Text>
      ) : (
        <>
          <Calendar
            label="Planned listings on a calendar"
            from={now}
            chosen={day}
            onDay={setChosen}
            marks={planned.map((p) => ({ at: p.at, words: lettersOf(p.markets) }))}
          />
          {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
          <DayHours
            day={day}
            now={now}
            planned={planned.map((p) => ({
              ...p,
              name: nameOr(items[p.id], p.title),
              letters: lettersOf(p.markets),
            }))}
            onMove={({ id, markets }, at) => run(() => retime(id, markets, at))}
          />
          <View role="list" aria-label="Planned listings">
            {planned.map((p) => (
              <View key={`${p.id} ${p.at}`} role="listitem">
                <LinkRow
                  words={nameOr(items[p.id], p.title)}
                  more={`${namesOf(p.markets)}, ${exactly(p.at)}`}
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
