import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Item, Reading } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { knownValue, type Proposals } from '@/core/reading/proposals';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { confirmThese, dropThese } from '@/store/pictures/readings';
import { sayRight } from '@/store/pictures/taught';
import { fieldName } from '@/wording/kinds';
import { doubtWords, readingWords } from '@/wording/readings';

import { TypeAnother } from './TypeAnother';
import { Crop } from '../pictures/Crop';

/** What needs a look of its own: one question at a time, with the place it stands at. */
export function Doubtful({ item, laid, asked }: { item: Item } & Pick<Proposals, 'laid' | 'asked'>) {
  const left = laid.length + asked.length;
  const [lines] = laid;
  const [question] = asked;
  if (left === 0) return null;
  return (
    <Card label="One by one">
      <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>
          Is it right?
        </Text>
        <Text tone="soft" figures role="status">
          {plural(left, 'the last one', `${left} to go`)}
        </Text>
      </View>
      {question ? (
        <Asked
          key={question.readings.map((r) => r.id).join()}
          item={item}
          field={question.field}
          readings={question.readings}
        />
      ) : lines ? (
        <LaidLines key={lines.pictureId} item={item} pictureId={lines.pictureId} readings={lines.readings} />
      ) : null}
    </Card>
  );
}

/** One reading, or several that say otherwise of the same. */
function Asked({ item, field, readings }: { item: Item; field: string; readings: readonly Reading[] }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const [typing, setTyping] = useState(false);
  const name = fieldName(field, item.kind, kinds);
  const known = knownValue(item, field);
  const [only] = readings;
  if (!only) return null;
  const isOne = readings.length === 1;
  return (
    <>
      {readings.map((reading) => {
        const words = readingWords(reading, units, kinds);
        return (
          <View key={reading.id} style={{ gap: 6 }}>
            <Crop
              of={[reading]}
              alt={`Where it stands: ${reading.words}`}
              height={reading.laid ? 200 : 110}
            />
            <Text variant="small" tone="soft">
              {known === undefined
                ? name
                : `${name}, instead of ${readingWords({ field, value: known }, units, kinds)}`}
            </Text>
            <Text variant="heading" figures>
              {words}
            </Text>
            {reading.doubt === null ? null : (
              // The light is everywhere: that is no alarm.
              <Text variant="small" tone={reading.doubt === 'light' ? 'soft' : 'trouble'}>
                {doubtWords(reading.doubt)}
              </Text>
            )}
            {isOne ? null : (
              <Button icon="check" label={`Right: ${name} ${words}`} onPress={() => sayRight(item, reading)}>
                This is right
              </Button>
            )}
          </View>
        );
      })}
      {typing ? <TypeAnother item={item} reading={only} /> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button
          icon="close"
          label={`Drop: ${name}`}
          onPress={() => dropThese(item, readings)}
          style={{ flexGrow: 1 }}
        >
          {isOne ? 'Drop it' : 'None of them'}
        </Button>
        <Button
          icon="retype"
          label={`Type another: ${name}`}
          onPress={() => setTyping(!typing)}
          style={{ flexGrow: 1 }}
        >
          Another
        </Button>
        {isOne ? (
          <Button
            variant="main"
            icon="check"
            label={`Right: ${name} ${readingWords(only, units, kinds)}`}
            onPress={() => sayRight(item, only)}
            style={{ flexGrow: 2 }}
          >
            Right
          </Button>
        ) : null}
      </View>
    </>
  );
}

/** All lines that were laid by themselves in one picture: one look at them together. */
function LaidLines(props: { item: Item; pictureId: string; readings: readonly Reading[] }) {
  const { item, pictureId, readings } = props;
  const router = useRouter();
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const names = readings.map((r) => fieldName(r.field, item.kind, kinds));
  return (
    <>
      <Crop of={readings} alt={`Lines laid by themselves: ${names.join(', ')}`} height={320} />
      {readings.map((reading, i) => (
        <View key={reading.id} style={{ flexDirection: 'row', gap: 8 }}>
          <Text tone="soft" style={{ flex: 1 }}>
            {names[i]}
          </Text>
          <Text variant="strong" figures>
            {readingWords(reading, units, kinds)}
          </Text>
        </View>
      ))}
      <Text variant="small" tone="soft">
        The lines were laid by themselves. Do they all lie right?
      </Text>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button icon="close" onPress={() => dropThese(item, readings)} style={{ flexGrow: 1 }}>
          Drop them
        </Button>
        <Button
          icon="ruler"
          onPress={() => router.navigate(`/item/${item.id}/measure/${pictureId}`)}
          style={{ flexGrow: 1 }}
        >
          Move a line
        </Button>
        <Button
          variant="main"
          icon="check"
          onPress={() => confirmThese(item, readings)}
          style={{ flexGrow: 2 }}
        >
          {plural(readings.length, 'It lies right', 'They lie right')}
        </Button>
      </View>
    </>
  );
}
