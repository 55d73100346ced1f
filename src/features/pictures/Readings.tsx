import { useRouter } from 'expo-router';
import { memo, useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Point } from '@/contract/picture';
import type { Reading, Item } from '@/contract/records';
import { readable } from '@/core/kinds/values';
import { formatLength, formatWeight } from '@/core/measure/units';
import { Button, SignButton } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { readOriginal } from '@/store/pictures/pictures';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { confirmAll, confirmReading, dropReading, isPlain, knownValue } from '@/store/pictures/readings';
import { useColours } from '@/theme/theme';
import { fieldName } from '@/wording/kinds';
import { doubtWords } from '@/wording/readings';

/**
 * What a machine read in the pictures, with the place it stands at. Nothing of it counts before a person says
 * so.
 */
export function Readings({ itemId }: { itemId: string }) {
  const item = useAttic((s) => s.items[itemId]);
  const c = useColours();
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
    </View>
  );
}

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
  const c = useColours();
  const units = useAttic((s) => s.settings.units);
  const kinds = useKinds();
  const crop = useCrop(reading);
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
  const read = (value: string) =>
    reading.field.startsWith('measure:')
      ? formatLength(Number(value), units)
      : reading.field === 'weight'
        ? formatWeight(Number(value), units)
        : reading.field === 'kind'
          ? (kinds.get(value)?.name ?? value)
          : readable(value);
  const words = read(reading.value);
  return (
    <View style={{ gap: 6 }}>
      {crop ? (
        <img
          src={crop}
          alt={`Where it stands: ${reading.words}`}
          style={{
            maxWidth: '100%',
            maxHeight: reading.laid ? 150 : 64,
            alignSelf: 'flex-start',
            borderRadius: 6,
            border: `1px solid ${c.line}`,
          }}
        />
      ) : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="small" tone="soft">
            {[
              known === undefined ? name : `${name}, instead of ${read(known)}`,
              reading.from === 'productLookup'
                ? 'from the product look-up'
                : reading.from === 'words'
                  ? 'from words brought in'
                  : '',
            ]
              .filter(Boolean)
              .join(' · ')}
          </Text>
          <Text variant="strong" figures>
            {reading.laid ? `${words} ± ${formatLength(Math.max(1, reading.laid.plusMinus), units)}` : words}
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

/** The part of the picture the words stand at, with a little around it. */
function useCrop({ pictureId, box, laid }: Reading): string | null {
  const [address, setAddress] = useState<string | null>(null);
  const key = [...box, ...(laid ? [laid.a.x, laid.a.y, laid.b.x, laid.b.y] : [])].join();
  useEffect(() => {
    let made: string | null = null;
    let wanted = true;
    if (!pictureId) return;
    const [x = 0, y = 0, w = 0, h = 0, ...ends] = key.split(',').map(Number);
    const [ax, ay, bx, by] = ends;
    const line: readonly [Point, Point] | undefined =
      ax === undefined || ay === undefined || bx === undefined || by === undefined
        ? undefined
        : [
            { x: ax, y: ay },
            { x: bx, y: by },
          ];
    const edge = line ? 0 : Math.max(h * 0.5, 0.01);
    const left = Math.max(0, x - edge);
    const top = Math.max(0, y - edge);
    const part = [left, top, Math.min(1 - left, w + 2 * edge), Math.min(1 - top, h + 2 * edge)] as const;
    void readOriginal(pictureId).then(async (blob) => {
      const cut = blob && (await pictureWorker().part(blob, part, 500, line));
      if (!cut || !wanted) return;
      made = URL.createObjectURL(cut);
      setAddress(made);
    });
    return () => {
      wanted = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [pictureId, key]);
  return address;
}
