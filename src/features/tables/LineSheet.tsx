import { useEffect, useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { chooseItem, correctCell, tableLine, useTableIn } from '@/store/tables/tableIn';
import { cellTrouble } from '@/wording/tables';
import type { ShownLine } from '@/workers/tablereader.worker';

import { lineWords } from './LineRow';

interface LineSheetProps {
  /** Its number in the file. */
  number: number;
  onDone: () => void;
  onNext: (() => void) | null;
}

type TableLine = Awaited<ReturnType<typeof tableLine>>;

/** A line as it stands now, asked again whenever something of the table changed. */
function useLine(number: number): TableLine {
  const round = useTableIn((s) => s.round);
  const [found, setFound] = useState<TableLine>(null);
  useEffect(() => {
    let isWanted = true;
    void tableLine(number)
      .then((line) => (isWanted ? setFound(line) : undefined))
      .catch(unlessExpected('showing a line'));
    return () => {
      isWanted = false;
    };
  }, [number, round]);
  return found?.plan.line === number ? found : null;
}

/** One line of the table with all its cells, each to be put right where it stands. */
export function LineSheet({ number, onDone, onNext }: LineSheetProps) {
  const opened = useTableIn((s) => s.opened);
  const fields = useTableIn((s) => s.fields);
  const found = useLine(number);
  if (!found) return null;
  const { plan: line, texts } = found;
  const correct = (column: number, text: string) =>
    void correctCell(number, column, text).catch(unlessExpected('putting a line right'));
  const lineTroubles = line.troubles.filter((t) => t.column === null);
  const left = (opened?.matches ?? []).flatMap((match, i) =>
    fields[i] === null && texts[i] ? [`${match.heading || `Column ${i + 1}`}: ${texts[i]}`] : [],
  );
  return (
    <Card label={`Line ${number}`}>
      <Text variant="heading" figures>{`Line ${number}`}</Text>
      <Text tone={line.outcome === 'refused' ? 'trouble' : 'soft'} figures role="status">
        {lineWords(line)}
      </Text>
      {lineTroubles.map((t, i) => (
        <Text key={i} tone="trouble">
          {cellTrouble(t.why)}
        </Text>
      ))}
      <WhichItem line={line} />
      {(opened?.matches ?? []).map((match, i) => {
        const field = fields[i];
        if (field === null || field === undefined) return null;
        const trouble = line.troubles.find((t) => t.column === i);
        return (
          <View key={`${number} ${i}`} style={{ gap: 2 }}>
            <Field
              label={match.heading || `Column ${i + 1}`}
              value={texts[i] ?? ''}
              multiline={(texts[i] ?? '').length > 80}
              pause={400}
              onChange={(text) => correct(i, text)}
            />
            {trouble ? (
              <Text variant="small" tone="trouble">
                {cellTrouble(trouble.why)}
              </Text>
            ) : null}
          </View>
        );
      })}
      {left.length > 0 ? (
        <Text variant="small" tone="soft">{`Not taken: ${left.join(' · ').slice(0, 600)}`}</Text>
      ) : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button variant="main" onPress={onDone} style={{ flexGrow: 1 }}>
          Done
        </Button>
        <Button disabled={onNext === null} onPress={() => onNext?.()} style={{ flexGrow: 1 }}>
          Next line
        </Button>
      </View>
    </Card>
  );
}

/** Which item here the line is about: found by itself, or as a person says by its code. */
function WhichItem({ line }: { line: ShownLine }) {
  const items = useAttic((s) => s.items);
  const code = line.itemId ? (items[line.itemId]?.code ?? '') : '';
  const idOf = (typed: string) =>
    Object.values(items).find((i) => i.code.toLowerCase() === typed.trim().toLowerCase())?.id ?? null;
  return (
    <Field
      label="It is the item with the code"
      hint="Empty: a new item."
      value={code}
      maxLength={60}
      pause={400}
      refuse={(typed) => (typed.trim() === '' || idOf(typed) !== null ? null : 'No item here has that code.')}
      onChange={(typed) =>
        void chooseItem(line.line, typed.trim() === '' ? null : idOf(typed)).catch(
          unlessExpected('choosing an item'),
        )
      }
    />
  );
}
