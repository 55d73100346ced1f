import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { measuresOf, type MeasureSpec } from '@/core/kinds/kinds';
import { formatLength, lengthFigure, parseLength } from '@/core/measure/units';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { setSettings, useAttic } from '@/store/attic';
import { editThing } from '@/store/things';

import { Section } from './Section';

/** The kind's measurements, flat, in the units the person works in. */
export function MeasurementsSection({ thing }: { thing: Thing }) {
  const units = useAttic((s) => s.settings.units);
  const measures = measuresOf(thing.kind);
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
        <Measure key={`${spec.id}-${units}`} thing={thing} spec={spec} />
      ))}
    </Section>
  );
}

function Measure({ thing, spec }: { thing: Thing; spec: MeasureSpec }) {
  const units = useAttic((s) => s.settings.units);
  const value = thing.measurements[spec.id];
  const off = thing.uncertainty[spec.id];
  const [low, high] = spec.usual;
  const slip = value !== undefined && (value < low || value > high);
  return (
    <View style={{ gap: 5 }}>
      <Field
        label={spec.name}
        hint={spec.how}
        figures
        keyboard={units === 'metric' ? 'decimal-pad' : 'default'}
        unit={units === 'metric' ? 'cm' : 'in'}
        value={value === undefined ? '' : lengthFigure(value, units)}
        refuse={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          return parsed && !parsed.ok ? parsed.why : null;
        }}
        onChange={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          if (parsed && !parsed.ok) return;
          editThing(thing.id, spec.name.toLocaleLowerCase('en'), (t) => {
            const { [spec.id]: _, ...others } = t.measurements;
            // A tape's figure takes the place of one from a picture.
            const { [spec.id]: __, ...uncertainty } = t.uncertainty;
            return { measurements: parsed ? { ...others, [spec.id]: parsed.value } : others, uncertainty };
          });
        }}
      />
      {off !== undefined ? (
        <Words kind="small" tone="soft" figures>
          {`Measured in the picture, ± ${formatLength(off, units)}`}
        </Words>
      ) : null}
      {slip ? (
        <Notice tone="caution">{`Usually ${formatLength(low, units)} to ${formatLength(high, units)}: is ${formatLength(value, units)} right?`}</Notice>
      ) : null}
    </View>
  );
}
