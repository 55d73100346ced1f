import { View } from 'react-native';

import { FIRST_PAGE, PAGE_PARTS, type PagePart, type PagePartName } from '@/contract/pageTemplate';
import { PatternField } from '@/parts/trade/PatternField';
import { Button, Chip, ChipRow, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { useWide } from '@/theme/theme';

import { PagePreview } from './PagePreview';
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
        order; what an item says nothing of is left out. What is listed already stays as it is until it is
        sent again.
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
  const wide = useWide();
  return (
    <View style={wide ? { flexDirection: 'row', gap: 24, alignItems: 'flex-start' } : { gap: 12 }}>
      <View style={[{ gap: 12 }, wide && { flex: 1 }]}>
        <View role="list" aria-label="Parts of a page" style={{ gap: 10 }}>
          {parts.map((part, at) => (
            <PartRow
              // Parts have no identity beyond their place; words of one's own may stand there twice.
              key={`${part.part} ${at}`}
              part={part}
              may={may}
              onChange={(p) => change(at, p)}
              onUp={at > 0 ? () => move(at) : undefined}
              onLeaveOut={() => onChange(parts.filter((_, i) => i !== at))}
            />
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
        <Button variant="quiet" onPress={() => onChange(null)}>
          Descriptions alone again
        </Button>
      </View>
      {sample ? <PagePreview item={sample} parts={parts} /> : null}
    </View>
  );
}

function PartRow(props: {
  part: PagePart;
  may: ReturnType<typeof useTokens>;
  onChange: (part: Partial<PagePart>) => void;
  onUp: (() => void) | undefined;
  onLeaveOut: () => void;
}) {
  const { may, onChange, onUp, onLeaveOut } = props;
  const { part, heading, text } = props.part;
  return (
    <View role="listitem" style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
        <Text variant="strong" style={{ flex: 1 }}>
          {NAMES[part]}
        </Text>
        {onUp ? (
          <Button variant="quiet" label={`${NAMES[part]} further up`} onPress={onUp}>
            Up
          </Button>
        ) : null}
        <SignButton icon="close" label={`Leave out: ${NAMES[part]}`} onPress={onLeaveOut} />
      </View>
      {part === 'heading' ? null : (
        <Field
          label={`Heading over: ${NAMES[part]}`}
          value={heading}
          maxLength={80}
          onChange={(words) => onChange({ heading: words })}
        />
      )}
      {part === 'words' ? (
        <PatternField
          label="Words of your own"
          value={text}
          multiline
          maxLength={4_000}
          {...may}
          onChange={(words) => onChange({ text: words })}
        />
      ) : null}
    </View>
  );
}
