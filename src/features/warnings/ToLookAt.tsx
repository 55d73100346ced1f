import { useLocalSearchParams } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';

import { plural } from '@/core/language/plural';
import { causesOf, listingsOf, WARNING_SORTS } from '@/core/warnings/warnings';
import { Calm } from '@/parts/trade/Calm';
import { SavedAside } from '@/parts/trade/SavedAside';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useSoonOver } from '@/store/derived/useSoonOver';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { useWarnings } from '@/store/derived/useWarnings';
import { useWide } from '@/theme/theme';
import { SORT_NAMES, wouldBeRefused } from '@/wording/warnings';

import { CauseCard } from './CauseCard';
import { SoonOver } from './SoonOver';
import { Waived } from './Waived';

/** All that stands against listings or is to be thought of, by its cause, put right for many at once. */
export function ToLookAt() {
  const { market = '' } = useLocalSearchParams<{ market?: string }>();
  const wide = useWide();
  const sheets = useUsedSheets();
  const { warnings, unchecked } = useWarnings();
  const [only, setOnly] = useState<string | null>(market === '' ? null : market);
  const here = useMemo(
    () => (only === null ? warnings : warnings.filter((w) => w.market === only)),
    [warnings, only],
  );
  const causes = useMemo(() => causesOf(here), [here]);
  const soon = useSoonOver().filter((s) => only === null || ('market' in s && s.market === only));
  const open = causes.filter((cause) => cause.of.length > 0);
  const counts = useMemo(() => {
    const all = warnings.filter((w) => w.waivedAt === null);
    return new Map(sheets.map((s) => [s.marketplace, all.filter((w) => w.market === s.marketplace).length]));
  }, [warnings, sheets]);
  return (
    <Page title="To look at" back="/" aside={<SavedAside />} maxWidth={1240}>
      <ChipRow label="Of which marketplace">
        <Chip on={only === null} onPress={() => setOnly(null)}>
          All
        </Chip>
        {sheets.map((s) =>
          // Those with nothing are not offered, but for the one that is looked at.
          (counts.get(s.marketplace) ?? 0) === 0 && only !== s.marketplace ? null : (
            <Chip key={s.marketplace} on={only === s.marketplace} onPress={() => setOnly(s.marketplace)}>
              {`${s.name} ${counts.get(s.marketplace) ?? 0}`}
            </Chip>
          ),
        )}
      </ChipRow>
      {unchecked > 0 ? (
        <Text role="status" tone="soft">
          {plural(
            unchecked,
            'One item is still being checked…',
            `${unchecked} items are still being checked…`,
          )}
        </Text>
      ) : null}
      {open.length + soon.length === 0 && unchecked === 0 ? (
        <Calm heading="Nothing to look at" words="Nothing stands against what is listed or wanted." />
      ) : null}
      {WARNING_SORTS.map((sort) => {
        const some = open.filter((cause) => cause.sort === sort);
        const refused =
          sort === 'blocked' || sort === 'coming' ? wouldBeRefused(listingsOf(here, sort)) : null;
        // What ends soon can wait less long than what is only to be thought of.
        const ends = sort === 'caution' ? <SoonOver key="soon" all={soon} /> : null;
        return some.length === 0 ? (
          ends
        ) : (
          <View key={sort} style={{ gap: 10 }}>
            {ends}
            <Text variant="heading">{SORT_NAMES[sort]}</Text>
            {refused === null ? null : (
              <Text tone="soft" figures>
                {`${refused}.`}
              </Text>
            )}
            <View style={wide ? styles.wide : styles.phone}>
              {some.map((cause) => (
                <View key={cause.key} style={wide ? styles.half : null}>
                  <CauseCard cause={cause} />
                </View>
              ))}
            </View>
          </View>
        );
      })}
      <Waived causes={causes} />
    </Page>
  );
}

const styles = StyleSheet.create({
  phone: { gap: 10 },
  wide: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-start', gap: 14 },
  half: { width: '48.8%' },
});
