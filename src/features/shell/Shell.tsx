import { Slot, usePathname, useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';

import { Icon, type IconName } from '@/parts/Icon';
import { Notice } from '@/parts/Notice';
import { UndoBar } from '@/parts/UndoBar';
import { Words } from '@/parts/Words';
import { Press } from '@/parts/Press';
import { openAttic, settleConflict, unsavedBlobs, useAttic } from '@/store/attic';
import { beginSession, listen, useCourier } from '@/store/courierLink';
import { bringDemoWorld } from '@/store/demoWorld';
import { beginRates } from '@/store/carrier';
import { beginComingDown } from '@/store/comingDown';
import { beginDepot } from '@/store/depot';
import type { Conflict } from '@/store/merging';
import { beginOrders } from '@/store/desk/orders';
import { beginTalks } from '@/store/desk/talks';
import { beginLookUps } from '@/store/lookUp';
import { keepMeasurementPicturesTrue } from '@/store/measuring';
import { saveUnsavedAsFile, useRoom, watchRoom } from '@/store/room';
import { FONT, Theme, useColours, useWide } from '@/theme/theme';

import { useAlarmCount } from '../today/useToday';

const PLACES: { path: string; name: string; icon: IconName }[] = [
  { path: '/', name: 'Today', icon: 'today' },
  { path: '/intake', name: 'Intake', icon: 'camera' },
  { path: '/stock', name: 'Stock', icon: 'stock' },
  { path: '/sales', name: 'Sales', icon: 'sales' },
  { path: '/ledger', name: 'Ledger', icon: 'ledger' },
];

/** Where the last attic's name is remembered, so that the page opens without the courier too. */
const ATTIC_NAME = 'yonder-attic-name';

async function begin(): Promise<void> {
  const session = await beginSession().catch(() => null);
  const name = session?.attic ?? localStorage.getItem(ATTIC_NAME);
  if (!name)
    throw new Error(
      'The courier can’t be reached, and this browser holds no attic yet. Start it, then reload.',
    );
  localStorage.setItem(ATTIC_NAME, name);
  await openAttic(name);
  if (session?.demo) await bringDemoWorld();
  beginLookUps();
  beginComingDown();
  beginDepot();
  beginOrders();
  beginTalks();
  beginRates();
  listen();
  keepMeasurementPicturesTrue();
  watchRoom();
  // So that the next start needs no connection.
  void navigator.serviceWorker?.register('/sw.js').catch(() => undefined);
}

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
  const open = useAttic((s) => s.status === 'open');
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    begin().catch((error: unknown) =>
      setTrouble(error instanceof Error ? error.message : 'The attic could not be opened.'),
    );
  }, []);
  return (
    <View
      style={[styles.frame, { backgroundColor: c.ground, flexDirection: wide ? 'row' : 'column-reverse' }]}
    >
      <Bar />
      <View style={{ flex: 1, minWidth: 0 }}>
        <Warnings />
        {trouble ? (
          <View style={{ padding: 16 }} role="main">
            <Notice tone="trouble">{trouble}</Notice>
          </View>
        ) : open ? (
          <View style={{ flex: 1 }}>
            <Slot />
          </View>
        ) : (
          <Words tone="soft" style={{ padding: 24 }} role="status">
            Opening the attic…
          </Words>
        )}
        <UndoBar />
      </View>
    </View>
  );
}

/** Another page set the same field in the same moment: theirs stands unless this person says otherwise. */
function ConflictLine({ conflict }: { conflict: Conflict }) {
  const name = useAttic((s) => s.things[conflict.id]?.title || s.things[conflict.id]?.code || 'A record');
  const say = (value: unknown) =>
    value === null || value === undefined || value === ''
      ? 'nothing'
      : typeof value === 'object'
        ? 'something else'
        : `“${String(value).slice(0, 80)}”`;
  return (
    <View role="group" aria-label={`Conflict: ${name}`} style={{ gap: 6 }}>
      <Notice tone="caution">
        {`${name}: another page set ${conflict.field} to ${say(conflict.theirs)} while you set it to ${say(conflict.mine)}. Theirs is kept.`}
      </Notice>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Press onPress={() => settleConflict(conflict, true)}>Keep mine</Press>
        <Press kind="quiet" onPress={() => settleConflict(conflict, false)}>
          Leave it
        </Press>
      </View>
    </View>
  );
}

function Warnings() {
  const saveTrouble = useAttic((s) => s.saveTrouble);
  const aside = useAttic((s) => s.aside.length);
  const lost = useLostCourier();
  const room = useRoom((s) => s.room);
  const tight = room && room.level !== 'plenty' ? room : null;
  const conflicts = useAttic((s) => s.conflicts);
  if (!saveTrouble && !lost && !tight && aside === 0 && conflicts.length === 0) return null;
  return (
    <View style={{ padding: 8, gap: 6 }} role="region" aria-label="Warnings" aria-live="polite">
      {conflicts.slice(0, 2).map((c) => (
        <ConflictLine key={`${c.id} ${c.field}`} conflict={c} />
      ))}
      {saveTrouble ? <Notice tone="trouble">{saveTrouble}</Notice> : null}
      {saveTrouble && Object.keys(unsavedBlobs()).length > 0 ? (
        <Press icon="down" onPress={() => void saveUnsavedAsFile()}>
          Save the waiting pictures as a file
        </Press>
      ) : null}
      {tight ? (
        <Notice tone={tight.level === 'full' ? 'trouble' : 'caution'}>
          {tight.level === 'full'
            ? 'This device has no room for more pictures. Free some on the device, or take out things you no longer need.'
            : `Room for about ${tight.pictures} more pictures on this device: free some before it runs out.`}
        </Notice>
      ) : null}
      {lost ? (
        <Notice tone="caution">
          The courier can’t be reached just now. Your work is kept here; listings are shown as last known.
        </Notice>
      ) : null}
      {aside > 0 ? (
        <Notice tone="caution">
          {`${aside === 1 ? 'One record' : `${aside} records`} could not be read and ${aside === 1 ? 'was' : 'were'} set aside; nothing was thrown away. The rest of the attic is whole.`}
        </Notice>
      ) : null}
    </View>
  );
}

/** True once the courier has been away for a few seconds, not for every blink. */
function useLostCourier(): boolean {
  const connected = useCourier((s) => s.connected);
  const [lost, setLost] = useState(false);
  useEffect(() => {
    // Back at once, away only after a while.
    const timer = setTimeout(() => setLost(!connected), connected ? 0 : 3_000);
    return () => clearTimeout(timer);
  }, [connected]);
  return lost;
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
      {wide ? <Words style={styles.name}>Yonder{'\n'}Attic</Words> : null}
      {PLACES.map((place) => {
        const here =
          place.path === '/'
            ? path === '/'
            : path.startsWith(place.path) || (place.path === '/stock' && path.startsWith('/thing'));
        const colour = here ? c.moss : c.soft;
        const alarm = place.path === '/' && alarms > 0;
        return (
          <Pressable
            key={place.path}
            role="link"
            aria-label={alarm ? `${place.name}, ${alarms} urgent` : place.name}
            aria-current={here ? 'page' : undefined}
            onPress={() => router.navigate(place.path as '/')}
            style={wide ? styles.railItem : styles.barItem}
          >
            <View>
              <Icon name={place.icon} colour={colour} size={24} />
              {alarm ? (
                <View style={[styles.alarm, { backgroundColor: c.brick, borderColor: c.surface }]} />
              ) : null}
            </View>
            <Words kind="small" style={{ color: colour, fontFamily: here ? FONT.strong : FONT.text }}>
              {place.name}
            </Words>
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
