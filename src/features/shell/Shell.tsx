import { Slot, usePathname, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { UndoBar } from '@/parts/trade/UndoBar';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAlarmCount } from '@/store/derived/useToday';
import { begin, useOpening } from '@/store/services/opening';
import { Icon, type IconName } from '@/theme/Icon';
import { FONT, Theme, useColours, useWide } from '@/theme/theme';

import { ChooseAttic } from './ChooseAttic';
import { ScreenGuard } from './ScreenGuard';
import { Shortcuts } from './Shortcuts';
import { Warnings } from './Warnings';
import { WhichAttic } from './WhichAttic';

const PLACES: { path: string; name: string; icon: IconName }[] = [
  { path: '/', name: 'Today', icon: 'today' },
  { path: '/intake', name: 'Intake', icon: 'camera' },
  { path: '/stock', name: 'Stock', icon: 'stock' },
  { path: '/sales', name: 'Sales', icon: 'sales' },
  { path: '/ledger', name: 'Ledger', icon: 'ledger' },
];

/** Everything around the places: theme, start-up, the bar or rail, notices and undo. */
export function Shell() {
  return (
    <Theme>
      <Frame />
    </Theme>
  );
}

function Frame() {
  const c = useColours();
  const wide = useWide();
  const now = useOpening((s) => s.now);
  const path = usePathname();
  const router = useRouter();
  useEffect(() => begin(), []);
  return (
    <View
      style={[styles.frame, { backgroundColor: c.ground, flexDirection: wide ? 'row' : 'column-reverse' }]}
    >
      <Bar />
      <View style={{ flex: 1, minWidth: 0 }}>
        <WhichAttic />
        <Warnings />
        {now.stage === 'trouble' ? (
          <View style={{ padding: 16 }} role="main">
            <Notice tone="trouble">{now.words}</Notice>
          </View>
        ) : now.stage === 'choose' ? (
          <ChooseAttic {...now} />
        ) : now.stage === 'open' ? (
          <View style={{ flex: 1 }}>
            <ScreenGuard screen={path} onLeave={() => router.navigate('/')}>
              <Slot />
            </ScreenGuard>
          </View>
        ) : (
          <Text tone="soft" style={{ padding: 24 }} role="status">
            Opening the attic…
          </Text>
        )}
        <UndoBar />
        {wide ? (
          <Shortcuts
            places={PLACES.map(({ path: to, name }, i) => ({
              key: String(i + 1),
              words: name,
              // A path of the list of places, which the router’s type does not know.
              act: () => router.navigate(to as '/'),
            }))}
          />
        ) : null}
      </View>
    </View>
  );
}

function Bar() {
  const c = useColours();
  const wide = useWide();
  const path = usePathname();
  const router = useRouter();
  const alarms = useAlarmCount();
  return (
    <View
      role="navigation"
      aria-label="Places"
      style={[wide ? styles.rail : styles.bar, { backgroundColor: c.surface, borderColor: c.line }]}
    >
      {wide ? <Text style={styles.name}>Yonder{'\n'}Attic</Text> : null}
      {PLACES.map((place) => {
        const here =
          place.path === '/'
            ? path === '/'
            : path.startsWith(place.path) || (place.path === '/stock' && path.startsWith('/item'));
        const colour = here ? c.moss : c.soft;
        const alarm = place.path === '/' && alarms > 0;
        return (
          <Pressable
            key={place.path}
            role="link"
            aria-label={alarm ? `${place.name}, ${alarms} urgent` : place.name}
            aria-current={here ? 'page' : undefined}
            // A path of the list of places, which the router’s type does not know.
            onPress={() => router.navigate(place.path as '/')}
            style={wide ? styles.railItem : styles.barItem}
          >
            <View>
              <Icon name={place.icon} colour={colour} size={24} />
              {alarm ? (
                <View style={[styles.alarm, { backgroundColor: c.brick, borderColor: c.surface }]} />
              ) : null}
            </View>
            <Text variant="small" style={{ color: colour, fontFamily: here ? FONT.strong : FONT.text }}>
              {place.name}
            </Text>
            {here ? (
              <View style={[wide ? styles.hereRail : styles.hereBar, { backgroundColor: c.moss }]} />
            ) : null}
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  frame: { flex: 1, height: '100%' },
  bar: { flexDirection: 'row', borderTopWidth: 1 },
  barItem: { flex: 1, minHeight: 60, alignItems: 'center', justifyContent: 'center', gap: 2 },
  rail: { width: 104, borderRightWidth: 1, paddingTop: 22, gap: 6 },
  railItem: { minHeight: 66, alignItems: 'center', justifyContent: 'center', gap: 3 },
  name: { fontFamily: FONT.heading, fontSize: 22, lineHeight: 23, textAlign: 'center', marginBottom: 18 },
  hereBar: {
    position: 'absolute',
    top: 0,
    left: 18,
    right: 18,
    height: 3,
    borderBottomLeftRadius: 3,
    borderBottomRightRadius: 3,
  },
  hereRail: {
    position: 'absolute',
    left: 0,
    top: 12,
    bottom: 12,
    width: 4,
    borderTopRightRadius: 4,
    borderBottomRightRadius: 4,
  },
  alarm: { position: 'absolute', right: -5, top: -3, width: 12, height: 12, borderRadius: 6, borderWidth: 2 },
});
