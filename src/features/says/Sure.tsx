import { useState } from 'react';
import { View } from 'react-native';

import type { Item, Reading } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { Button, SignButton } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { confirmAll, dropReading } from '@/store/pictures/readings';
import { fieldName } from '@/wording/kinds';
import { readingWords } from '@/wording/readings';

import { TypeAnother } from './TypeAnother';
import { Crop } from '../pictures/Crop';

/** What was read plainly: all of it in one press, and each can be put right or dropped before. */
export function Sure({ item, sure, doubtful }: { item: Item; sure: readonly Reading[]; doubtful: number }) {
  if (sure.length === 0) return null;
  return (
    <Card label="Read plainly">
      <Text variant="heading">{plural(sure.length, 'Read plainly', `${sure.length} read plainly`)}</Text>
      {sure.map((reading) => (
        <SureLine key={reading.id} item={item} reading={reading} />
      ))}
      <Button variant="main" icon="check" label="Right: all of it" onPress={() => confirmAll(item)}>
        {plural(sure.length, 'It is right', `All of it is right: these ${sure.length}`)}
      </Button>
      {doubtful > 0 ? (
        <Text variant="small" tone="soft">
          {plural(
            doubtful,
            'Not with it: one that is doubtful is asked below.',
            `Not with it: ${doubtful} that are doubtful are asked below.`,
          )}
        </Text>
      ) : null}
    </Card>
  );
}

function SureLine({ item, reading }: { item: Item; reading: Reading }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const [typing, setTyping] = useState(false);
  const name = fieldName(reading.field, item.kind, kinds);
  const words = readingWords(reading, units, kinds);
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ width: 92 }}>
          <Crop of={[reading]} alt={`Where it stands: ${reading.words}`} height={48} width={92} />
          {reading.pictureId === null ? (
            <Text variant="small" tone="soft">
              {FROM[reading.from]}
            </Text>
          ) : null}
        </View>
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text variant="small" tone="soft">
            {name}
          </Text>
          <Text variant="strong" figures>
            {words}
          </Text>
        </View>
        <SignButton
          icon="retype"
          label={`Type another: ${name} ${words}`}
          onPress={() => setTyping(!typing)}
        />
        <SignButton
          icon="close"
          label={`Drop: ${name} ${words}`}
          onPress={() => dropReading(item, reading)}
        />
      </View>
      {typing ? <TypeAnother item={item} reading={reading} /> : null}
    </View>
  );
}

const FROM: Readonly<Record<Reading['from'], string>> = {
  picture: 'from the camera',
  productLookup: 'looked up',
  likeness: 'said of its like',
  words: 'from words',
};
