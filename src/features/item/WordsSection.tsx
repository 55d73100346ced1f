import { memo } from 'react';
import type { Thing } from '@/contract/records';
import { countAs } from '@/core/words/count';
import { descriptionFromFacts } from '@/core/words/description';
import { titleFromFacts } from '@/core/words/title';
import { Field } from '@/parts/Field';
import { Press } from '@/parts/Press';
import { useAttic } from '@/store/attic';
import { kindsNow } from '@/store/kinds';
import type { Examined } from '@/store/sending';
import { editThing } from '@/store/things';

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
  const units = useAttic((s) => s.settings.units);
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
            title: titleFromFacts(t, kindsNow(), most),
          }))
        }
      >
        Write the title from the facts
      </Press>
      <FieldFindings examined={findings.filter((e) => e.plan?.title == null)} field="title" />
      <Field
        label="Description"
        value={thing.description}
        multiline
        hint={`${countAs(thing.description, 'characters')} characters`}
        onChange={(description) => editThing(thing.id, 'description', { description })}
      />
      <Press
        icon="write"
        onPress={() =>
          editThing(thing.id, 'description written from the facts', (t) => ({
            description: descriptionFromFacts(t, kindsNow(), units),
          }))
        }
      >
        Write the description from the facts
      </Press>
      <FieldFindings examined={findings.filter((e) => e.plan?.description == null)} field="description" />
    </Section>
  );
});
