import { nanoid } from 'nanoid';
import { useState } from 'react';
import { View } from 'react-native';

import { SEVERITIES, USES, type Flaw, type Thing } from '@/contract/records';
import { flawWords, gradeOf, SEVERITY_NAMES, wordsForUse } from '@/core/condition/grade';
import { kindById } from '@/core/kinds/kinds';
import { formatLength, lengthFigure, parseLength } from '@/core/measure/units';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { capital } from '@/parts/UndoBar';
import { Words } from '@/parts/Words';
import { change, useAttic } from '@/store/attic';
import type { Examined } from '@/store/sending';
import { editThing, thingWith } from '@/store/things';

import { FieldFindings, Section } from './Section';

/** How much it was used and every flaw; the grade follows from both. */
export function ConditionSection({ thing, findings }: { thing: Thing; findings: readonly Examined[] }) {
  const grade = gradeOf(thing.use, thing.flaws);
  const units = useAttic((s) => s.settings.units);
  const [adding, setAdding] = useState(false);
  return (
    <Section name="condition" title="Condition" summary={grade?.name}>
      <ChipRow label="How much it was used">
        {USES.map((use) => (
          <Chip key={use} on={thing.use === use} onPress={() => editThing(thing.id, 'use', { use })}>
            {capital(wordsForUse(use))}
          </Chip>
        ))}
      </ChipRow>
      {thing.flaws.map((flaw) => (
        <View key={flaw.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Words kind="strong">{capital(flawWords(flaw))}</Words>
            <Words kind="small" tone="soft" figures>
              {[SEVERITY_NAMES[flaw.severity], flaw.sizeMm && formatLength(flaw.sizeMm, units)]
                .filter(Boolean)
                .join(' · ')}
            </Words>
          </View>
          <SignPress
            icon="remove"
            label={`Remove flaw: ${flawWords(flaw)}`}
            onPress={() =>
              change(
                'flaw removed',
                [thingWith(thing, { flaws: thing.flaws.filter((f) => f.id !== flaw.id) })],
                {
                  destructive: true,
                },
              )
            }
          />
        </View>
      ))}
      {adding ? (
        <NewFlaw
          thing={thing}
          onDone={(flaw) => {
            setAdding(false);
            if (flaw) editThing(thing.id, 'flaw added', (t) => ({ flaws: [...t.flaws, flaw] }));
          }}
        />
      ) : (
        <Press icon="add" onPress={() => setAdding(true)}>
          Add a flaw
        </Press>
      )}
      {grade ? <Notice tone="info">{`Grade: ${grade.name} (${grade.because})`}</Notice> : null}
      <FieldFindings examined={findings} field="condition" />
    </Section>
  );
}

function NewFlaw({ thing, onDone }: { thing: Thing; onDone: (flaw: Flaw | null) => void }) {
  const units = useAttic((s) => s.settings.units);
  const kind = kindById(thing.kind);
  const [what, setWhat] = useState('');
  const [place, setPlace] = useState('');
  const [severity, setSeverity] = useState<Flaw['severity']>('slight');
  const [sizeMm, setSize] = useState<number | null>(null);
  const chips = (label: string, list: readonly string[], value: string, set: (text: string) => void) =>
    list.length > 0 ? (
      <ChipRow label={label}>
        {list.map((text) => (
          <Chip key={text} on={value === text} onPress={() => set(text)}>
            {text}
          </Chip>
        ))}
      </ChipRow>
    ) : null;
  return (
    <View role="group" aria-label="New flaw" style={{ gap: 9 }}>
      {chips('Flaws seen often', kind?.flaws ?? [], what, setWhat)}
      <Field label="What is wrong" value={what} maxLength={400} onChange={setWhat} />
      {chips('Usual places', kind?.places ?? [], place, setPlace)}
      <Field label="Where on the thing" value={place} maxLength={400} onChange={setPlace} />
      <ChipRow label="How bad it is">
        {SEVERITIES.map((s) => (
          <Chip key={s} on={severity === s} onPress={() => setSeverity(s)}>
            {SEVERITY_NAMES[s]}
          </Chip>
        ))}
      </ChipRow>
      <Field
        label="Size of the flaw"
        value={sizeMm === null ? '' : lengthFigure(sizeMm, units)}
        unit={units === 'metric' ? 'cm' : 'in'}
        keyboard="decimal-pad"
        figures
        refuse={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          return parsed && !parsed.ok ? parsed.why : null;
        }}
        onChange={(text) => {
          const parsed = text.trim() === '' ? null : parseLength(text, units);
          setSize(parsed?.ok ? parsed.value : null);
        }}
      />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Press
          kind="main"
          disabled={what.trim() === ''}
          style={{ flex: 1 }}
          onPress={() =>
            onDone({
              id: nanoid(10),
              kind: what.trim(),
              place: place.trim(),
              severity,
              sizeMm,
              pictureId: null,
            })
          }
        >
          Keep this flaw
        </Press>
        <Press onPress={() => onDone(null)}>Cancel</Press>
      </View>
    </View>
  );
}
