import { useRouter } from 'expo-router';
import { memo } from 'react';

import type { Item } from '@/contract/records';
import { Section } from '@/parts/trade/Section';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';

import { MeasureField } from '../pictures/MeasureField';

/** The kind's measurements, flat, in the units the person works in. */
export const MeasurementsSection = memo(function MeasurementsSection({ item }: { item: Item }) {
  const units = useAttic((s) => s.settings.units);
  const measures = useKinds().measures(item.kind);
  const router = useRouter();
  const own = usePicturesOf(item);
  const made = own.find((p) => p.made);
  const plain = own.filter((p) => !p.made && !p.clip);
  const from = made?.made?.from ?? (plain.find((p) => p.shows === 'measured') ?? plain[0])?.id;
  const known = measures.filter((m) => item.measurements[m.id] !== undefined).length;
  return (
    <Section
      name="measurements"
      title="Measurements"
      blank={measures.length > 0 && known === 0}
      summary={measures.length > 0 ? `${known} of ${measures.length}` : undefined}
    >
      {measures.length === 0 ? (
        <Text tone="soft">Say what it is first: each kind has its own measurements.</Text>
      ) : null}
      {measures.length > 0 ? (
        <ChipRow label="Units">
          <Chip on={units === 'metric'} onPress={() => setSettings({ units: 'metric' })}>
            Centimetres
          </Chip>
          <Chip on={units === 'imperial'} onPress={() => setSettings({ units: 'imperial' })}>
            Inches
          </Chip>
        </ChipRow>
      ) : null}
      {measures.length > 0 && from ? (
        <Button icon="ruler" onPress={() => router.navigate(`/item/${item.id}/measure/${from}`)}>
          {made ? 'Change the measurement picture' : 'Make a measurement picture'}
        </Button>
      ) : null}
      {measures.map((spec) => (
        <MeasureField key={`${spec.id}-${units}`} item={item} spec={spec} />
      ))}
    </Section>
  );
});
