import { useRouter } from 'expo-router';
import { memo } from 'react';
import { View } from 'react-native';

import type { Reading, Item } from '@/contract/records';
import { isPlain, knownValue } from '@/core/reading/proposals';
import { Button, SignButton } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { confirmAll, confirmReading, dropReading } from '@/store/pictures/readings';
import { useColours } from '@/theme/theme';
import { fieldName } from '@/wording/kinds';
import { doubtWords, readingWords } from '@/wording/readings';

import { Crop } from './Crop';

/**
 * What a machine read in the pictures, with the place it stands at. Nothing of it counts before a person says
 * so.
 */
export function Readings({ itemId }: { itemId: string }) {
  const item = useAttic((s) => s.items[itemId]);
  const c = useColours();
  const router = useRouter();
  if (!item || item.readings.length === 0) return null;
  return (
    <View
      role="group"
      aria-label="Read by a machine, to be confirmed"
      style={{
        borderWidth: 1.5,
        borderStyle: 'dashed',
        borderColor: c.slate,
        borderRadius: 10,
        padding: 10,
        gap: 10,
        backgroundColor: c.slateTint,
      }}
    >
      <Text variant="strong">
        {item.readings.some((r) => r.from !== 'picture')
          ? 'Looked up and read: is it right?'
          : 'Read from the pictures: is it right?'}
      </Text>
      {item.readings.map((reading) => (
        <Line key={reading.id} itemId={itemId} reading={reading} />
      ))}
      {item.readings.filter((r) => isPlain(item, r)).length > 1 ? (
        <Button icon="check" label="Right: all of it" onPress={() => confirmAll(item)}>
          {item.readings.every((r) => isPlain(item, r)) ? 'All of it is right' : 'The rest is right'}
        </Button>
      ) : null}
      <LinkRow
        words="What the pictures say"
        more="One by one, with room for the thumb"
        onPress={() => router.navigate(`/item/${itemId}/says`)}
      />
    </View>
  );
}

const FROM: Readonly<Record<Reading['from'], string>> = {
  picture: '',
  productLookup: 'from the product look-up',
  likeness: 'said of what looks like it',
  words: 'from words brought in',
};

interface LineProps {
  itemId: string;
  reading: Reading;
}

/** Drawn anew only where its own reading is another: with each that is new, all of them are new objects. */
const Line = memo(
  LineAsItIs,
  (was, is) => was.itemId === is.itemId && JSON.stringify(was.reading) === JSON.stringify(is.reading),
);

function LineAsItIs({ itemId, reading }: LineProps) {
  const router = useRouter();
  const units = useAttic((s) => s.settings.units);
  const kinds = useKinds();
  const kind = useAttic((s) => s.items[itemId]?.kind ?? '');
  const known = useAttic((s) => {
    const item = s.items[itemId];
    return item && knownValue(item, reading.field);
  });
  const withItem = (act: (item: Item, one: Reading) => void) => () => {
    const item = useAttic.getState().items[itemId];
    if (item) act(item, reading);
  };
  const name = fieldName(reading.field, kind, kinds);
  const read = (value: string) => readingWords({ field: reading.field, value }, units, kinds);
  const words = read(reading.value);
  return (
    <View style={{ gap: 6 }}>
      <Crop of={[reading]} alt={`Where it stands: ${reading.words}`} height={reading.laid ? 150 : 64} />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="small" tone="soft">
            {[known === undefined ? name : `${name}, instead of ${read(known)}`, FROM[reading.from]]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          <Text variant="strong" figures>
            {readingWords(reading, units, kinds)}
          </Text>
          {reading.doubt === null ? null : (
            // The light is everywhere: that is no alarm.
            <Text variant="small" tone={reading.doubt === 'light' ? 'soft' : 'trouble'}>
              {doubtWords(reading.doubt)}
            </Text>
          )}
        </View>
        {reading.laid && reading.pictureId ? (
          <SignButton
            icon="ruler"
            label={`Look at the line: ${name}`}
            onPress={() => router.navigate(`/item/${itemId}/measure/${reading.pictureId}`)}
          />
        ) : null}
        <Button label={`Right: ${name} ${words}`} icon="check" onPress={withItem(confirmReading)}>
          Right
        </Button>
        <SignButton icon="close" label={`Drop: ${name} ${words}`} onPress={withItem(dropReading)} />
      </View>
    </View>
  );
}
