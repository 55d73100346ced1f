import memoizeOne from 'memoize-one';
import { useEffect, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { openHold } from '@/core/holds/holds';
import { meetingsSoon } from '@/core/holds/soon';
import { listed } from '@/core/language/listed';
import { plural, counted } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { agoWords, exactly } from '@/parts/ui/time';
import { settleConflict, unsavedBlobs, useAttic } from '@/store/attic/attic';
import type { Conflict } from '@/store/attic/merging';
import { saveUnsavedAsFile, useRoom } from '@/store/attic/room';
import { dismissFaults, useFaults } from '@/store/base/faults';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';
import { dismissRelearned, useRelearned } from '@/store/courier/relearn';
import { nameOf, nameOr } from '@/store/items/names';
import { useKeeping, useOpening } from '@/store/services/opening';
import { writeTrouble } from '@/wording/courier';
import { meetingSoonWords } from '@/wording/meeting';

/** What a person has to know on every page, worst first. */
export function Warnings() {
  const lines: ReactNode[] = [
    useCourierTrouble(),
    useStoreTrouble(),
    ...useConflicts(),
    useRoomTrouble(),
    useNothingLasts(),
    useLost(),
    ...useMeetingsSoon(),
    useRelearning(),
    useQuarantined(),
    useFault(),
  ].filter(Boolean);
  if (lines.length === 0) return null;
  return (
    <View style={{ padding: 8, gap: 6 }} role="region" aria-label="Warnings" aria-live="polite">
      {lines}
    </View>
  );
}

/** Nothing is redder: what sells is not closed as it should be. */
function useCourierTrouble(): ReactNode {
  const health = useCourier((s) => s.health);
  const other = useCourier((s) => s.otherAttic);
  const misfits = useCourier((s) => Object.keys(s.misfits).length);
  if (other)
    return (
      <Notice key="courier" tone="trouble">
        The courier works for another attic now: nothing of this one is sent or closed. What you do here is
        kept. Reload the page to choose.
      </Notice>
    );
  if (health?.cannotWrite)
    return (
      <Notice key="courier" tone="alarm">
        {`The courier cannot write: ${writeTrouble(health.cannotWrite)}, sales are not being ` +
          'closed. It still takes down what it knows to be sold; nothing new is sent, and nothing ' +
          'you ask of it is done. Put that right on the computer that runs it: it goes on by itself.'}
      </Notice>
    );
  if (misfits > 0)
    return (
      <Notice key="courier" tone="trouble">
        {`The courier told of ${counted(misfits, 'item')} in a way this page does not understand: ` +
          `what is shown of ${plural(misfits, 'it', 'them')} may be old. Reload the page; if this ` +
          'stays, look at the marketplaces yourself.'}
      </Notice>
    );
  if (health && health.unreadLines > 0)
    return (
      <Notice key="courier" tone="caution">
        {`${counted(health.unreadLines, 'line')} of the courier’s ledger could not be read. They ` +
          'are kept; the marketplaces were asked what is listed. Look through what you sent lately.'}
      </Notice>
    );
  return null;
}

function useStoreTrouble(): ReactNode {
  const saveTrouble = useAttic((s) => s.saveTrouble);
  if (!saveTrouble) return null;
  return (
    <View key="store" style={{ gap: 6 }}>
      <Notice tone="trouble">{saveTrouble}</Notice>
      {Object.keys(unsavedBlobs()).length > 0 ? (
        <Button icon="down" onPress={() => void saveUnsavedAsFile()}>
          Save the waiting pictures as a file
        </Button>
      ) : null}
    </View>
  );
}

function useConflicts(): ReactNode[] {
  const conflicts = useAttic((s) => s.conflicts);
  return conflicts.slice(0, 2).map((c) => <ConflictLine key={`${c.id} ${c.field}`} conflict={c} />);
}

/**
 * Another page set the same field in the same moment: one of the two stands on both, unless this person says
 * otherwise.
 */
function ConflictLine({ conflict }: { conflict: Conflict }) {
  const name = useAttic((s) => nameOr(s.items[conflict.id], 'A record'));
  const say = (value: unknown) =>
    value === null || value === undefined || value === ''
      ? 'nothing'
      : typeof value === 'object'
        ? 'something else'
        : `“${String(value).slice(0, 80)}”`;
  const mine = conflict.kept === 'mine';
  return (
    <View role="group" aria-label={`Conflict: ${name}`} style={{ gap: 6 }}>
      <Notice tone="caution">
        {`${name}: another page set ${conflict.field} to ${say(conflict.theirs)} while you set it ` +
          `to ${say(conflict.mine)}. ${mine ? 'Yours' : 'Theirs'} is kept, there too.`}
      </Notice>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button onPress={() => settleConflict(conflict, true)}>{mine ? 'Take theirs' : 'Keep mine'}</Button>
        <Button variant="quiet" onPress={() => settleConflict(conflict, false)}>
          Leave it
        </Button>
      </View>
    </View>
  );
}

function useRoomTrouble(): ReactNode {
  const room = useRoom((s) => s.room);
  if (!room || room.level === 'plenty') return null;
  return (
    <Notice key="room" tone={room.level === 'full' ? 'trouble' : 'caution'}>
      {room.level === 'full'
        ? 'This device has no room for more pictures. Free some on the device, or take out items you ' +
          'no longer need.'
        : `Room for about ${room.pictures} more pictures on this device: free some before it runs out.`}
    </Notice>
  );
}

/** A private window, or a browser that keeps nothing. */
function useNothingLasts(): ReactNode {
  const { how, passing } = useKeeping();
  if (!passing) return null;
  return (
    <Notice key="lasting" tone={how === 'memory' ? 'trouble' : 'caution'}>
      {how === 'memory'
        ? 'This browser keeps nothing: all of this goes when you close or reload the page. Allow it ' +
          'to store data, or save a copy (Stock, The attic, Backup copy).'
        : 'A private window: all of this goes when you close it. Open the attic in an ordinary one, ' +
          'or save a copy (Stock, The attic, Backup copy).'}
    </Notice>
  );
}

/** Once the courier has been away for a few seconds, not for every blink. */
function useLost(): ReactNode {
  const connected = useCourier((s) => s.connected);
  const heardAt = useCourier((s) => s.heardAt);
  const openedWithout = useCourier((s) => s.session === null);
  const isOpen = useOpening((s) => s.now.stage === 'open');
  const [lost, setLost] = useState(false);
  const isSure = isOpen && openedWithout;
  useEffect(() => {
    // Back at once, away only after a while.
    const timer = setTimeout(() => setLost(!connected), connected || isSure ? 0 : 3_000);
    return () => clearTimeout(timer);
  }, [connected, isSure]);
  useTime(MINUTE);
  if (!lost) return null;
  return (
    <Notice key="lost" tone="caution">
      {'The courier can’t be reached just now. Your work is kept here. ' +
        (heardAt === null
          ? 'It was never heard in this browser: what is listed, sold or asked is not known.'
          : 'Listings, sales, orders, promises and messages are shown as they were ' +
            `${agoWords(heardAt)}, ${exactly(heardAt)}.`)}
    </Notice>
  );
}

/** Items with a meeting arranged: looked for once for each state of the attic, whoever asks. */
const withMeeting = memoizeOne((items: Readonly<Record<string, Item>>) =>
  Object.values(items)
    .filter((item) => openHold(item)?.meet)
    .map((item) => `${item.id}:${item.updatedAt}`)
    .join(' '),
);

/** A meeting that is near: who, where, and what to take along. */
function useMeetingsSoon(): ReactNode[] {
  // One text, so that whatever else changes of items draws nothing anew.
  const ids = useAttic((s) => withMeeting(s.items));
  const minutes = useAttic((s) => s.settings.remindMinutes);
  const currency = useAttic((s) => s.settings.currency);
  const now = useTime(MINUTE);
  const { items } = useAttic.getState();
  const arranged = ids.split(' ').flatMap((id) => items[id.split(':')[0] ?? ''] ?? []);
  return meetingsSoon(arranged, now, minutes).map(({ item, hold, meet }) => (
    <Notice key={`meeting ${item.id}`} tone="info">
      {meetingSoonWords(
        { who: hold.who, meet, name: `${item.code} ${nameOf(item)}`, spot: item.spot },
        currency,
      )}
    </Notice>
  ));
}

function useRelearning(): ReactNode {
  const now = useRelearned((s) => s.now);
  if (!now) return null;
  const missing =
    now.missing.length > 0 ? ` ${listed(now.missing, 'and')} could not be asked: compare later.` : '';
  const byHand =
    now.byHand > 0 ? ` ${counted(now.byHand, 'item')} may hang where nobody but you can look.` : '';
  return (
    <View key="relearning" style={{ gap: 6 }}>
      <Notice tone={now.done && !missing && !byHand ? 'good' : 'info'}>
        {now.done
          ? `The courier looks after ${counted(now.listings, 'listing')} of this attic ` +
            `again.${missing}${byHand}`
          : 'The courier is learning what of this attic is listed …'}
      </Notice>
      {now.done ? (
        <Button variant="quiet" onPress={dismissRelearned}>
          All right
        </Button>
      ) : null}
    </View>
  );
}

function useQuarantined(): ReactNode {
  const quarantined = useAttic((s) => s.quarantine.length);
  if (quarantined === 0) return null;
  return (
    <Notice key="quarantined" tone="caution">
      {`${plural(quarantined, 'One record', `${quarantined} records`)} could not be read and ` +
        `${plural(quarantined, 'was', 'were')} set aside; nothing was thrown away. The rest of the ` +
        'attic is whole.'}
    </Notice>
  );
}

/** Something that nobody expected: said, and where more stands. */
function useFault(): ReactNode {
  const { last, count } = useFaults();
  if (!last) return null;
  return (
    <View key="fault" style={{ gap: 6 }}>
      <Notice tone="caution">
        {'Something went wrong while ' +
          `${last.doing}${count > 1 ? `, and ${counted(count - 1, 'more time')}` : ''}. What you did ` +
          'is kept. It is written down in the server’s log.'}
      </Notice>
      <Button variant="quiet" onPress={dismissFaults}>
        All right
      </Button>
    </View>
  );
}
