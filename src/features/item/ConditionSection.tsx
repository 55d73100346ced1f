import { memo, useState } from 'react';
import { View } from 'react-native';

import { TESTED, USES, type Flaw, type Thing } from '@/contract/records';
import { TESTED_WORDS } from '@/core/condition/conditionText';
import { flawWords, gradeNames, gradeOfThing, SEVERITY_NAMES, wordsForUse } from '@/core/condition/grade';
import { formatLength } from '@/core/measure/units';
import { Field } from '@/parts/Field';
import { Chip, ChipRow, Press, SignPress } from '@/parts/Press';
import { capital } from '@/parts/UndoBar';
import { Words } from '@/parts/Words';
import { change, setSettings, useAttic } from '@/store/attic';
import type { Examined } from '@/core/listing/examine';
import { useKinds } from '@/store/kinds';
import { editThing, thingWith } from '@/store/things';

import { FlawForm } from './FlawForm';
import { GradeByHand } from './GradeByHand';
import { FieldFindings, Section } from './Section';

/** How much it was used, every flaw, what is with it; the grade follows. */
export const ConditionSection = memo(function ConditionSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const grade = gradeOfThing(thing);
  const names = gradeNames(thing.kind, useKinds());
  return (
    <Section name="condition" title="Condition" summary={grade ? names[grade.wear] : undefined}>
      <ChipRow label="How much it was used">
        {USES.map((use) => (
          <Chip key={use} on={thing.use === use} onPress={() => editThing(thing.id, 'use', { use })}>
            {capital(wordsForUse(use))}
          </Chip>
        ))}
      </ChipRow>
      <Flaws thing={thing} />
      <More thing={thing} />
      <GradeByHand thing={thing} />
      <FieldFindings examined={findings} field="condition" />
    </Section>
  );
});

function Flaws({ thing }: { thing: Thing }) {
  const units = useAttic((s) => s.settings.units);
  const [open, setOpen] = useState<string | null>(null);
  const keep = (flaw: Flaw | null) => {
    setOpen(null);
    if (!flaw) return;
    editThing(thing.id, thing.flaws.some((f) => f.id === flaw.id) ? 'flaw changed' : 'flaw added', (t) => ({
      flaws: t.flaws.some((f) => f.id === flaw.id)
        ? t.flaws.map((f) => (f.id === flaw.id ? flaw : f))
        : [...t.flaws, flaw],
    }));
  };
  const place = (flaw: Flaw) => {
    const n = flaw.pictureId ? thing.pictureIds.indexOf(flaw.pictureId) + 1 : 0;
    return n > 0 ? `${flaw.pin ? 'pinned' : 'shown'} in picture ${n}` : null;
  };
  return (
    <>
      {thing.flaws.map((flaw) =>
        open === flaw.id ? (
          <FlawForm key={flaw.id} thing={thing} before={flaw} onDone={keep} />
        ) : (
          <View key={flaw.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Words kind="strong">{capital(flawWords(flaw))}</Words>
              <Words kind="small" tone="soft" figures>
                {[SEVERITY_NAMES[flaw.severity], flaw.sizeMm && formatLength(flaw.sizeMm, units), place(flaw)]
                  .filter(Boolean)
                  .join(' · ')}
              </Words>
            </View>
            <Press kind="quiet" label={`Change flaw: ${flawWords(flaw)}`} onPress={() => setOpen(flaw.id)}>
              Change
            </Press>
            <SignPress
              icon="remove"
              label={`Remove flaw: ${flawWords(flaw)}`}
              onPress={() =>
                change(
                  'flaw removed',
                  [thingWith(thing, { flaws: thing.flaws.filter((f) => f.id !== flaw.id) })],
                  { destructive: true },
                )
              }
            />
          </View>
        ),
      )}
      {open === 'new' ? (
        <FlawForm thing={thing} before={null} onDone={keep} />
      ) : (
        <Press icon="add" onPress={() => setOpen('new')}>
          Add a flaw
        </Press>
      )}
      {thing.flaws.length === 0 && open === null ? (
        <ChipRow label="Looked it over" radio={false}>
          <Chip
            role="checkbox"
            on={thing.looked}
            onPress={() => editThing(thing.id, 'looked over', { looked: !thing.looked })}
          >
            Looked it over: no flaws
          </Chip>
        </ChipRow>
      ) : null}
    </>
  );
}

/** Parts, trying out, cleaning, the home it comes from, and the person's own words. */
function More({ thing }: { thing: Thing }) {
  const [open, setOpen] = useState(false);
  const { id } = thing;
  if (!open && !saysMore(thing))
    return (
      <Press kind="quiet" icon="add" onPress={() => setOpen(true)}>
        Parts, testing, cleaning, notes
      </Press>
    );
  const yesNo = (
    label: string,
    key: 'cleaned' | 'smoke' | 'pets',
    words: readonly [yes: string, no: string],
  ) => (
    <ChipRow label={label}>
      {([true, false] as const).map((is) => (
        <Chip
          key={String(is)}
          on={thing[key] === is}
          onPress={() =>
            editThing(id, label.toLocaleLowerCase('en'), { [key]: thing[key] === is ? null : is })
          }
        >
          {words[is ? 0 : 1]}
        </Chip>
      ))}
    </ChipRow>
  );
  return (
    <>
      <Field
        label="What comes with it"
        value={thing.included}
        maxLength={400}
        placeholder="box, spare button, booklet"
        onChange={(included) => editThing(id, 'what comes with it', { included })}
      />
      <Field
        label="What is missing"
        value={thing.missing}
        maxLength={400}
        onChange={(missing) => editThing(id, 'what is missing', { missing })}
      />
      <ChipRow label="Tried out">
        {TESTED.map((tested) => (
          <Chip
            key={tested}
            on={thing.tested === tested}
            onPress={() => editThing(id, 'tried out', { tested: thing.tested === tested ? null : tested })}
          >
            {capital(TESTED_WORDS[tested])}
          </Chip>
        ))}
      </ChipRow>
      {yesNo('Cleaning', 'cleaned', ['Cleaned', 'As it was found'])}
      {yesNo('Smoke', 'smoke', ['From a home with smoke', 'No smoke'])}
      {yesNo('Pets', 'pets', ['From a home with pets', 'No pets'])}
      <Note thing={thing} />
    </>
  );
}

/** The person's own words, with phrases that were kept for using again. */
function Note({ thing }: { thing: Thing }) {
  const phrases = useAttic((s) => s.settings.phrases);
  const note = thing.conditionNote.trim();
  const set = (conditionNote: string) => editThing(thing.id, 'note on its condition', { conditionNote });
  return (
    <View style={{ gap: 8 }}>
      <Field label="Note on its condition" value={thing.conditionNote} multiline onChange={set} />
      {phrases.length > 0 ? (
        <ChipRow label="Kept phrases" radio={false}>
          {phrases.map((phrase) => (
            <Chip
              key={phrase}
              role="button"
              on={false}
              onPress={() => set(note === '' ? phrase : `${note} ${phrase}`)}
            >
              {phrase}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {note !== '' && note.length <= 400 ? (
        phrases.includes(note) ? (
          <Press
            kind="quiet"
            icon="remove"
            onPress={() => setSettings({ phrases: phrases.filter((p) => p !== note) })}
          >
            Keep this phrase no longer
          </Press>
        ) : (
          <Press
            kind="quiet"
            icon="add"
            disabled={phrases.length >= 200}
            onPress={() => setSettings({ phrases: [...phrases, note] })}
          >
            Keep as a phrase
          </Press>
        )
      ) : null}
    </View>
  );
}

function saysMore(t: Thing): boolean {
  return (
    [t.included, t.missing, t.conditionNote].some((text) => text !== '') ||
    [t.tested, t.cleaned, t.smoke, t.pets].some((answer) => answer !== null)
  );
}
