import {
  DndContext,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { useRouter } from 'expo-router';
import { useEffect, useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import type { Place } from '@/core/picture/arrange';
import { FilesNotTaken } from '@/parts/trade/FilesNotTaken';
import { PictureView } from '@/parts/trade/PictureView';
import { ToMany } from '@/parts/trade/ToMany';
import { Button } from '@/parts/ui/Button';
import { ALOUD_BY_NAME } from '@/parts/ui/dragAloud';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { dropSorted, goOnSorting, takeSorted, useSorting, type Sorted } from '@/store/pictures/sorting';

import { DropZone, SortRow, SortTile } from './SortRow';
import { useArrangement } from './useArrangement';

/**
 * Pictures of several items, chosen at once: which are of one is proposed, and nothing is made before it is
 * agreed.
 */
export function Sorting() {
  const { sorted, left, notTaken, taking } = useSorting();
  const router = useRouter();
  useEffect(() => {
    void goOnSorting().catch(unlessExpected('looking at pictures to be sorted'));
  }, []);
  return (
    <Page title="Several items">
      {left > 0 ? (
        <Text tone="soft" role="status">
          {plural(left, 'Looking at a picture…', `Looking at the pictures: ${left} to go`)}
        </Text>
      ) : null}
      <FilesNotTaken files={[...notTaken]} kept={sorted.length} />
      {sorted.length > 0 ? <Proposal sorted={sorted} isBusy={left > 0} /> : null}
      {taking ? <Taken {...taking} /> : null}
      {sorted.length === 0 && left === 0 && !taking ? (
        <Card>
          <Text>Choose pictures of several items at once on Intake: here they are told apart.</Text>
          <Button icon="camera" onPress={() => router.navigate('/intake')}>
            To Intake
          </Button>
        </Card>
      ) : null}
    </Page>
  );
}

function Proposal({ sorted, isBusy }: { sorted: readonly Sorted[]; isBusy: boolean }) {
  const arrangement = useArrangement();
  const { now } = arrangement;
  const [chosen, setChosen] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  );
  const place = (id: string, to: Place) => {
    arrangement.put(id, to);
    setChosen(null);
  };
  const dropped = ({ active, over }: DragEndEvent) => {
    const to = over && placeOf(String(over.id));
    if (to) place(String(active.id), to);
  };
  const done = (what: Promise<void>, doing: string) => {
    arrangement.clear();
    void what.catch(unlessExpected(doing));
  };
  return (
    <DndContext
      sensors={sensors}
      accessibility={ALOUD_BY_NAME}
      collisionDetection={pointerWithin}
      onDragEnd={dropped}
    >
      <Card label="Which pictures are of one item">
        <Text tone="soft">
          As they look, these belong together. Drag a picture to another row, or press it. Nothing is made
          before you say so.
        </Text>
        <Rows
          sorted={sorted}
          arrangement={arrangement}
          chosen={chosen}
          onChoose={setChosen}
          onPlace={place}
        />
      </Card>
      <Button
        variant="main"
        icon="check"
        disabled={isBusy || now.rows.length === 0}
        onPress={() => done(takeSorted(now.rows), 'taking sorted pictures')}
      >
        {plural(now.rows.length, 'Make one item', `Make ${now.rows.length} items`)}
      </Button>
      {now.rows.length > 1 ? <Button onPress={arrangement.allIntoOne}>All are of one item</Button> : null}
      <Button variant="quiet" onPress={() => done(dropSorted(), 'leaving sorted pictures')}>
        Leave them all out
      </Button>
    </DndContext>
  );
}

/** A row for each item to be, one for another item, and one for what is left out. */
function Rows(props: {
  sorted: readonly Sorted[];
  arrangement: ReturnType<typeof useArrangement>;
  chosen: string | null;
  onChoose: (id: string | null) => void;
  onPlace: (id: string, to: Place) => void;
}) {
  const { sorted, arrangement, chosen, onChoose, onPlace } = props;
  const { rows, out } = arrangement.now;
  const byId = new Map(sorted.map((one) => [one.waiting.about.id, one]));
  const tile = (id: string, name: string) => {
    const one = byId.get(id);
    if (!one) return null;
    const on = chosen === id;
    return <SortTile key={id} one={one} name={name} on={on} onPress={() => onChoose(on ? null : id)} />;
  };
  const deedsFor = (row: readonly string[], at: number) =>
    chosen !== null && row.includes(chosen) ? (
      <Deeds
        row={row}
        at={at}
        of={rows.length}
        id={chosen}
        onPlace={(to) => onPlace(chosen, to)}
        onSplit={() => {
          arrangement.splitAt(chosen);
          onChoose(null);
        }}
      />
    ) : null;
  return (
    <>
      {rows.map((row, at) => (
        <SortRow
          key={row[0]}
          at={at}
          count={row.length}
          onJoin={() => arrangement.joinUp(at)}
          deeds={deedsFor(row, at)}
        >
          {row.map((id, i) => tile(id, `Picture ${i + 1} of item ${at + 1}`))}
        </SortRow>
      ))}
      <DropZone id="newRow" label="Another item">
        <Text tone="soft" style={{ alignSelf: 'center', padding: 8 }}>
          Drop here for another item
        </Text>
      </DropZone>
      <Text variant="strong">{`Left out · ${out.length}`}</Text>
      <DropZone id="out" label="Pictures left out">
        {out.map((id, i) => tile(id, `Picture ${i + 1} left out`))}
      </DropZone>
      {chosen !== null && out.includes(chosen) ? (
        <Button onPress={() => onPlace(chosen, 'newRow')}>An item of its own</Button>
      ) : null}
    </>
  );
}

/** Where something was dropped, by the name of the place. */
function placeOf(over: string): Place | null {
  if (over === 'newRow' || over === 'out') return over;
  const [what, id = ''] = over.split(/:(.*)/su);
  return what === 'row' ? { row: Number(id) } : what === 'before' ? { before: id } : null;
}

/** What a press does where a drag is too much. */
function Deeds(props: {
  row: readonly string[];
  at: number;
  of: number;
  id: string;
  onPlace: (to: Place) => void;
  onSplit: () => void;
}) {
  const { row, at, of, id, onPlace, onSplit } = props;
  const deed = (words: string, act: () => void): ReactNode => (
    <Button key={words} onPress={act} style={{ flexGrow: 1 }}>
      {words}
    </Button>
  );
  return (
    <View
      role="group"
      aria-label="Put this picture elsewhere"
      style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}
    >
      {row.indexOf(id) > 0 ? deed('Another item from here on', onSplit) : null}
      {row.length > 1 ? deed('An item of its own', () => onPlace('newRow')) : null}
      {at > 0 ? deed(`To item ${at}`, () => onPlace({ row: at - 1 })) : null}
      {at + 1 < of ? deed(`To item ${at + 2}`, () => onPlace({ row: at + 1 })) : null}
      {deed('Leave it out', () => onPlace('out'))}
    </View>
  );
}

/** What became of it: the items, as they come in. */
function Taken({ done, of, itemIds }: { done: number; of: number; itemIds: readonly string[] }) {
  const router = useRouter();
  const items = useAttic((s) => s.items);
  return (
    <Card label="Taken in">
      <Text role="status" tone={done === of ? 'good' : 'soft'} figures>
        {done === of
          ? `Saved: ${plural(itemIds.length, 'one item', `${itemIds.length} items`)}`
          : `Taking in: ${done} of ${of} pictures`}
      </Text>
      {done === of && itemIds.length > 0 ? (
        <ToMany ids={itemIds} to="/says" icon="readText" main>
          What the pictures say
        </ToMany>
      ) : null}
      {itemIds.map((id) => {
        const item = items[id];
        if (!item) return null;
        return (
          <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
            <PictureView id={item.pictureIds[0] ?? ''} alt="" style={{ width: 52, height: 52 }} />
            <View style={{ flex: 1 }}>
              <LinkRow
                words={item.title || item.code}
                more={plural(item.pictureIds.length, 'one picture', `${item.pictureIds.length} pictures`)}
                onPress={() => router.navigate(`/item/${id}`)}
              />
            </View>
          </View>
        );
      })}
    </Card>
  );
}
