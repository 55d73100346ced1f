import { memo } from 'react';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { countAs } from '@/core/words/count';
import { writtenAnew } from '@/core/words/inStep';
import { titleFromFacts } from '@/core/words/title';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { editItem } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { together, useSearchDemand } from '@/store/research/searchDemand';
import { USUAL_TITLE } from '@/store/writing/inStep';

import { ImportWords } from '../words/ImportWords';
import { SearchDemand } from '../words/SearchDemand';
import { TitleHelp } from '../words/TitleHelp';
import { Tones } from '../words/Tones';

/** Title and description that every marketplace takes unless told otherwise. */
export const WordsSection = memo(function WordsSection({
  item,
  findings,
}: {
  item: Item;
  findings: readonly Examined[];
}) {
  const markets = useSearchDemand(item.kind);
  const limits = findings.filter((e) => e.plan?.title == null).map((e) => e.sheet.title.max);
  const most = limits.length > 0 ? Math.max(...limits) : USUAL_TITLE;
  const count = countAs(item.title, 'characters');
  return (
    <Section
      name="words"
      title="Title and description"
      blank={!item.title}
      summary={item.title ? `${count} of ${most}` : undefined}
    >
      <Field
        label="Title"
        value={item.title}
        maxLength={400}
        hint={`${count} of ${most} characters`}
        onChange={(title) => editItem(item.id, 'title', { title })}
      />
      <Button
        icon="write"
        onPress={() =>
          editItem(item.id, 'title written from the facts', (t) => ({
            ...writtenAnew(t, {
              title: titleFromFacts(t, kindsNow(), most, 'characters', together(markets)),
            }),
          }))
        }
      >
        Write the title from the facts
      </Button>
      <TitleHelp item={item} markets={markets} most={most} />
      <SearchDemand item={item} markets={markets} examined={findings} />
      <FieldFindings examined={findings.filter((e) => e.plan?.title == null)} field="title" />
      <Field
        label="Description"
        value={item.description}
        multiline
        hint={`${countAs(item.description, 'characters')} characters`}
        onChange={(description) => editItem(item.id, 'description', { description })}
      />
      <Tones item={item} />
      <ImportWords item={item} />
      <FieldFindings examined={findings.filter((e) => e.plan?.description == null)} field="description" />
    </Section>
  );
});
