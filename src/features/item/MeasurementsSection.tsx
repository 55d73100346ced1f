import { memo } from 'react';
import { useRouter } from 'expo-router';

import type { Thing } from '@/contract/records';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';

import { MeasureField } from '../pictures/MeasureField';
import { Section } from './Section';

/** The kind's measurements, flat, in the units the person works in. */
export const MeasurementsSection = memo(function MeasurementsSection({ thing }: { thing: Thing }) {
  const units = useAttic((s) => s.settings.units);
  const measures = useKinds().measures(thing.kind);
  const router = useRouter();
  const pictures = useAttic((s) => s.pictures);
  const own = thing.pictureIds.flatMap((id) => pictures[id] ?? []);
  const made = own.find((p) => p.made);
  const plain = own.filter((p) => !p.made && !p.clip);
  const from = made?.made?.from ?? (plain.find((p) => p.shows === 'measured') ?? plain[0])?.id;
  const known = measures.filter((m) => thing.measurements[m.id] !== undefined).length;
  return (
    <Section
      name="measurements"
      title="Measurements"
      summary={measures.length > 0 ? `${known} of ${measures.length}` : undefined}
    >
      {measures.length === 0 ? (
        <Words tone="soft">Say what it is first: each kind has its own measurements.</Words>
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
        <Press icon="ruler" onPress={() => router.navigate(`/thing/${thing.id}/measure/${from}`)}>
          {made ? 'Change the measurement picture' : 'Make a measurement picture'}
        </Press>
      ) : null}
      {measures.map((spec) => (
        <MeasureField key={`${spec.id}-${units}`} thing={thing} spec={spec} />
      ))}
    </Section>
  );
});
