import { useMemo, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

import { counted, plural } from '@/core/language/plural';
import { OUTCOMES, type Outcome } from '@/core/tables/planIn';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { FileButton } from '@/parts/ui/FileButton';
import { LongList } from '@/parts/ui/LongList';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { unlessExpected } from '@/store/base/faults';
import { choosePictures, takePicturesBeside, usePicturesBeside } from '@/store/tables/beside';
import {
  leaveAllOut,
  leaveOut,
  planTable,
  setOptions,
  stopPreview,
  takeTable,
  useTableIn,
  useTableRecords,
} from '@/store/tables/tableIn';
import { useColours, useWide } from '@/theme/theme';

import { LINE_HEIGHT, LineRow } from './LineRow';
import { LineSheet } from './LineSheet';
import { LookedUp } from './LookedUp';
import { useLines } from './useLines';

const OUTCOME_WORDS: Record<Outcome, string> = {
  new: 'New',
  changes: 'Changes',
  same: 'The same',
  refused: 'Not taken',
};

/** What the table would do, line by line: looked at, put right, left out, and taken. */
export function Preview() {
  const wide = useWide();
  const c = useColours();
  const except = useTableIn((s) => s.except);
  const records = useTableRecords();
  const [show, setShow] = useState<Outcome | null>(null);
  const [open, setOpen] = useState<{ place: number; line: number } | null>(null);
  const lines = useLines(show);
  const places = useMemo(() => Array.from({ length: lines.of }, (_, i) => i), [lines.of]);
  const openAt = (place: number) => {
    const line = lines.at(place);
    setOpen(line ? { place, line: line.line } : null);
  };
  // One that was put right may have left the lines shown: then the next stands in its place.
  const next = open && (lines.at(open.place)?.line === open.line ? open.place + 1 : open.place);
  const tick = (line: number, isOut: boolean) =>
    void leaveOut([line], isOut).catch(unlessExpected('leaving a line out'));
  const sheet =
    open !== null && next !== null ? (
      <LineSheet
        number={open.line}
        onDone={() => setOpen(null)}
        onNext={next < lines.of ? () => openAt(next) : null}
      />
    ) : null;
  if (sheet && !wide) return <Alone>{sheet}</Alone>;
  return (
    <View style={{ flex: 1, flexDirection: 'row', backgroundColor: c.ground }}>
      <View style={{ flex: 3, minWidth: 0 }}>
        <LongList
          label="What the table would do"
          items={places}
          keyOf={(place) => String(place)}
          height={LINE_HEIGHT}
          maxWidth={1000}
          row={(place) => {
            const line = lines.at(place);
            return (
              <LineRow
                line={line}
                known={line ? (records[line.barcode]?.record?.title ?? '') : ''}
                isOut={line ? except.has(line.line) : false}
                isOpen={line !== undefined && open?.line === line.line}
                onTick={tick}
                onOpen={() => openAt(place)}
              />
            );
          }}
        >
          <Head
            show={show}
            onShow={(outcome) => {
              setShow(outcome);
              setOpen(null);
            }}
          />
        </LongList>
      </View>
      {sheet ? (
        <ScrollView style={{ flex: 2, minWidth: 0 }} contentContainerStyle={{ padding: 20 }}>
          {sheet}
        </ScrollView>
      ) : null}
    </View>
  );
}

/** One line alone, where there is no room beside the list. */
function Alone({ children }: { children: ReactNode }) {
  const c = useColours();
  return (
    <ScrollView
      style={{ flex: 1, backgroundColor: c.ground }}
      contentContainerStyle={{ padding: 16, paddingBottom: 40 }}
      role="main"
      aria-label="A line of the table"
      tabIndex={0}
    >
      {children}
    </ScrollView>
  );
}

function Head({ show, onShow }: { show: Outcome | null; onShow: (show: Outcome | null) => void }) {
  const name = useTableIn((s) => s.name);
  const counts = useTableIn((s) => s.counts);
  const except = useTableIn((s) => s.except);
  const options = useTableIn((s) => s.options);
  const trouble = useTableIn((s) => s.trouble);
  if (!counts) return null;
  const { of, all } = counts;
  const taken = of.new + of.changes - except.size;
  const isAllOut = except.size > 0;
  const refused = of.refused > 0 || options.leaveUnread;
  return (
    <>
      <Text variant="title" numberOfLines={2}>
        {name}
      </Text>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <ChipRow label="Show">
        <Chip on={show === null} onPress={() => onShow(null)}>
          {`All ${all}`}
        </Chip>
        {OUTCOMES.filter((o) => of[o] > 0).map((o) => (
          <Chip key={o} on={show === o} onPress={() => onShow(o)}>
            {`${OUTCOME_WORDS[o]} ${of[o]}`}
          </Chip>
        ))}
      </ChipRow>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          variant="main"
          disabled={taken === 0}
          style={{ flexGrow: 1 }}
          onPress={() =>
            void takeTable((lines) => void takePicturesBeside(lines).catch(unlessExpected('taking pictures')))
          }
        >
          {takeWords(counts.items, of.changes, taken)}
        </Button>
        <Button onPress={() => void leaveAllOut(!isAllOut).catch(unlessExpected('leaving lines out'))}>
          {isAllOut ? 'Tick all' : 'Tick none'}
        </Button>
      </View>
      <LookedUp />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
        {refused ? (
          <Chip
            role="checkbox"
            on={options.leaveUnread}
            onPress={() => {
              setOptions({ leaveUnread: !options.leaveUnread });
              void planTable();
            }}
          >
            Take lines without cells that can’t be read
          </Chip>
        ) : null}
        <Button variant="quiet" icon="back" onPress={stopPreview}>
          The columns
        </Button>
        <Beside />
      </View>
    </>
  );
}

/** "Take 12 lines: 14 new items, 3 changed" */
function takeWords(items: number, changes: number, taken: number): string {
  if (taken === 0) return 'Nothing to take';
  const made = items > 0 ? counted(items, 'new item') : '';
  const lines = counted(taken, 'line');
  return changes === 0 && made !== '' ? `Make ${made}` : [`Take ${lines}`, made].filter(Boolean).join(': ');
}

/** Pictures that lie beside the table. */
function Beside() {
  const { name, count, trouble } = usePicturesBeside();
  return (
    <>
      <View>
        <FileButton
          accept=".zip,application/zip"
          variant="quiet"
          icon="pictures"
          onFiles={([file]) => void choosePictures(file ?? null)}
        >
          {count > 0 ? 'Another ZIP of pictures' : 'Pictures from a ZIP'}
        </FileButton>
      </View>
      {count > 0 ? (
        <Text tone="soft" figures>
          {`${plural(count, 'One picture', `${count} pictures`)} in ${name}, by name or by code.`}
        </Text>
      ) : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </>
  );
}
