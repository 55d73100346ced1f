import { memo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { countAs } from '@/core/words/count';
import { allPatterns, describe, patternFor } from '@/core/words/descriptionFor';
import { titleFromFacts } from '@/core/words/title';
import { FieldFindings, Section } from '@/parts/trade/Section';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { setSettings, useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { kindsNow, useKinds } from '@/store/items/kinds';
import { together, useSearchDemand } from '@/store/research/searchDemand';
import { patternTroubleWords } from '@/wording/words';

import { ImportWords } from '../words/ImportWords';
import { SearchDemand } from '../words/SearchDemand';
import { TitleHelp } from '../words/TitleHelp';

/** A usual title limit where no marketplace is wanted yet; common practice. */
const USUAL_TITLE = 80;

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
            title: titleFromFacts(t, kindsNow(), most, 'characters', together(markets)),
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

/** Writes the description: by the kind's own pattern, or in the tone that is chosen. */
function Tones({ item }: { item: Item }) {
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const tone = useAttic((s) => s.settings.tone);
  const closing = useAttic((s) => s.settings.closingWords);
  const own = useAttic((s) => s.patterns);
  const [why, setWhy] = useState<string | null>(null);
  const now = patternFor(item, own, tone, kinds);
  const write = (pattern = now) => {
    const stored = useAttic.getState().items[item.id] ?? item;
    const filled = describe(stored, pattern, kinds, units, closing);
    setWhy(filled.ok ? null : `${pattern.name}: ${patternTroubleWords(filled.why)} Nothing was changed.`);
    if (filled.ok) editItem(item.id, 'description written from the facts', { description: filled.text });
  };
  return (
    <View style={{ gap: 8 }}>
      <Button icon="write" onPress={() => write()}>
        Write the description from the facts
      </Button>
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
