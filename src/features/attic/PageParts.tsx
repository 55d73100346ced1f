import { View } from 'react-native';

import { FIRST_PAGE, PAGE_PARTS, type PagePart, type PagePartName } from '@/contract/pageTemplate';
import type { Item } from '@/contract/records';
import { MARKUP } from '@/core/words/html';
import { pageHtml } from '@/core/words/pageTemplate';
import { PatternField } from '@/parts/trade/PatternField';
import { Button, Chip, ChipRow, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { FONT, useColours } from '@/theme/theme';

import { useSample, useTokens } from './useTokens';

const NAMES: Readonly<Record<PagePartName, string>> = {
  heading: 'Its title',
  story: 'The description',
  facts: 'The facts',
  condition: 'Condition',
  measurements: 'Measurements',
  terms: 'Posting and returns',
  words: 'Words of your own',
};
/** As wide as most buyers see it. */
const PHONE = 360;

/** What the page of a listing is put together from, where a marketplace takes markup. */
export function PageParts() {
  const parts = useAttic((s) => s.settings.pageParts);
  const set = (pageParts: readonly PagePart[] | null) =>
    setSettings({ pageParts: pageParts && pageParts.length > 0 ? [...pageParts] : null });
  return (
    <Card label="Pages of listings">
      <Text variant="heading">Pages of listings</Text>
      <Text tone="soft">
        Where a marketplace takes more than plain text, a page is put together from these parts, in your
        order; what an item says nothing of is left out.
      </Text>
      {parts ? (
        <Parts parts={parts} onChange={set} />
      ) : (
        <Button icon="add" onPress={() => set(FIRST_PAGE)}>
          Put pages together
        </Button>
      )}
    </Card>
  );
}

function Parts(props: { parts: readonly PagePart[]; onChange: (parts: readonly PagePart[] | null) => void }) {
  const { parts, onChange } = props;
  const sample = useSample();
  const may = useTokens(sample);
  const change = (at: number, part: Partial<PagePart>) =>
    onChange(parts.map((p, i) => (i === at ? { ...p, ...part } : p)));
  const move = (at: number) =>
    onChange([
      ...parts.slice(0, at - 1),
      ...parts.slice(at, at + 1),
      ...parts.slice(at - 1, at),
      ...parts.slice(at + 1),
    ]);
  const left = PAGE_PARTS.filter((part) => part === 'words' || !parts.some((p) => p.part === part));
  return (
    <View style={{ gap: 12 }}>
      <View role="list" aria-label="Parts of a page" style={{ gap: 10 }}>
        {parts.map(({ part, heading, text }, at) => (
          // Parts have no identity beyond their place; words of one's own may stand there twice.
          <View key={`${part} ${at}`} role="listitem" style={{ gap: 6 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
              <Text variant="strong" style={{ flex: 1 }}>
                {NAMES[part]}
              </Text>
              {at > 0 ? (
                <Button variant="quiet" label={`${NAMES[part]} further up`} onPress={() => move(at)}>
                  Up
                </Button>
              ) : null}
              <SignButton
                icon="close"
                label={`Leave out: ${NAMES[part]}`}
                onPress={() => onChange(parts.filter((_, i) => i !== at))}
              />
            </View>
            {part === 'heading' ? null : (
              <Field
                label={`Heading over: ${NAMES[part]}`}
                value={heading}
                maxLength={80}
                onChange={(words) => change(at, { heading: words })}
              />
            )}
            {part === 'words' ? (
              <PatternField
                label="Words of your own"
                value={text}
                multiline
                maxLength={4_000}
                {...may}
                onChange={(words) => change(at, { text: words })}
              />
            ) : null}
          </View>
        ))}
      </View>
      {left.length > 0 ? (
        <ChipRow label="Parts to add" radio={false}>
          {left.map((part) => (
            <Chip
              key={part}
              role="button"
              on={false}
              label={`Add: ${NAMES[part]}`}
              onPress={() => onChange([...parts, { part, heading: '', text: '' }])}
            >
              {NAMES[part]}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
      {sample ? <PagePreview item={sample} parts={parts} /> : null}
      <Button variant="quiet" onPress={() => onChange(null)}>
        Descriptions alone again
      </Button>
    </View>
  );
}

/** The page of a real item, as wide as a phone. */
function PagePreview({ item, parts }: { item: Item; parts: readonly PagePart[] }) {
  const c = useColours();
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const closing = useAttic((s) => s.settings.closingWords);
  const terms = useAttic((s) => Object.values(s.terms).find((t) => t.isDefault) ?? null);
  const html = pageHtml(
    parts,
    { item, kinds, units, title: item.title, story: item.description, terms, closing },
    MARKUP,
  );
  return (
    <View role="group" aria-label="Preview at a phone’s width" style={{ gap: 6 }}>
      <Text variant="small" tone="soft">
        On a phone, where paragraphs, lists and bold letters are taken:
      </Text>
      <div
        style={{
          maxWidth: PHONE,
          padding: 12,
          border: `1px solid ${c.line}`,
          borderRadius: 10,
          overflowWrap: 'anywhere',
          fontFamily: FONT.text,
          fontSize: 14,
          lineHeight: '20px',
          color: c.ink,
        }}
        // Made of our own text, by the list of what is taken.
        dangerouslySetInnerHTML={{ __html: html }}
      />
    </View>
  );
}
