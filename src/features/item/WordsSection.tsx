import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { countAs } from '@/core/words/count';
import { allPatterns, describe, patternFor } from '@/core/words/descriptionFor';
import { titleFromFacts } from '@/core/words/title';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { setSettings, useAttic } from '@/store/attic';
import { kindsNow, useKinds } from '@/store/kinds';
import type { Examined } from '@/core/listing/examine';
import { together, useSought } from '@/store/sought';
import { editThing } from '@/store/things';

import { ImportWords } from '../words/ImportWords';
import { SoughtWords } from '../words/SoughtWords';
import { TitleHelp } from '../words/TitleHelp';
import { FieldFindings, Section } from './Section';

/** A usual title limit where no marketplace is wanted yet; common practice. */
const USUAL_TITLE = 80;

/** Title and description that every marketplace takes unless told otherwise. */
export const WordsSection = memo(function WordsSection({
  thing,
  findings,
}: {
  thing: Thing;
  findings: readonly Examined[];
}) {
  const markets = useSought(thing.kind);
  const limits = findings.filter((e) => e.plan?.title == null).map((e) => e.sheet.title.max);
  const most = limits.length > 0 ? Math.max(...limits) : USUAL_TITLE;
  const count = countAs(thing.title, 'characters');
  return (
    <Section name="words" title="Words" summary={thing.title ? `${count} of ${most}` : undefined}>
      <Field
        label="Title"
        value={thing.title}
        maxLength={400}
        hint={`${count} of ${most} characters`}
        onChange={(title) => editThing(thing.id, 'title', { title })}
      />
      <Press
        icon="write"
        onPress={() =>
          editThing(thing.id, 'title written from the facts', (t) => ({
            title: titleFromFacts(t, kindsNow(), most, 'characters', together(markets)),
          }))
        }
      >
        Write the title from the facts
      </Press>
      <TitleHelp thing={thing} markets={markets} most={most} />
      <SoughtWords thing={thing} markets={markets} examined={findings} />
      <FieldFindings examined={findings.filter((e) => e.plan?.title == null)} field="title" />
      <Field
        label="Description"
        value={thing.description}
        multiline
        hint={`${countAs(thing.description, 'characters')} characters`}
        onChange={(description) => editThing(thing.id, 'description', { description })}
      />
      <Tones thing={thing} />
      <ImportWords thing={thing} />
      <FieldFindings examined={findings.filter((e) => e.plan?.description == null)} field="description" />
    </Section>
  );
});

/** Writes the description: by the kind's own pattern, or in the tone that is chosen. */
function Tones({ thing }: { thing: Thing }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const tone = useAttic((s) => s.settings.tone);
  const closing = useAttic((s) => s.settings.closingWords);
  const own = useAttic((s) => s.patterns);
  const [why, setWhy] = useState<string | null>(null);
  const now = patternFor(thing, own, tone, kinds);
  const write = (pattern = now) => {
    const stored = useAttic.getState().things[thing.id] ?? thing;
    const filled = describe(stored, pattern, kinds, units, closing);
    setWhy(filled.ok ? null : `${pattern.name}: ${filled.why} Nothing was changed.`);
    if (filled.ok) editThing(thing.id, 'description written from the facts', { description: filled.text });
  };
  return (
    <View style={{ gap: 8 }}>
      <Press icon="write" onPress={() => write()}>
        Write the description from the facts
      </Press>
      <ChipRow label="In which tone">
        {allPatterns(own).map((pattern) => (
          <Chip
            key={pattern.id}
            label={`Tone: ${pattern.name}`}
            on={pattern.id === now.id}
            onPress={() => {
              setSettings({ tone: pattern.id });
              write(pattern);
            }}
          >
            {pattern.name}
          </Chip>
        ))}
      </ChipRow>
      {why ? <Notice tone="trouble">{why}</Notice> : null}
    </View>
  );
}
