import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';
import type { Effective } from '@/core/listing/effective';
import type { Examined } from '@/core/listing/examine';
import { rankCategories } from '@/core/mapping/categories';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { categoryReason } from '@/wording/kinds';

/** Categories offered before "all of them". */
const FEW = 5;

/** The category there: the likeliest first, each with why. */
export function CategoryChoice(props: {
  item: Item;
  examined: Examined;
  onChoose: (category: string) => void;
}) {
  const { item, examined, onChoose } = props;
  const { sheet, effective } = examined;
  const [choosing, setChoosing] = useState(false);
  if (sheet.records) return <Text>{recordWords(effective.category)}</Text>;
  if (!choosing)
    return (
      <View style={{ gap: 2 }}>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
          <Text style={{ flex: 1 }}>
            {effective.category ? `Category: ${pathOf(sheet, effective.category)}` : 'No category yet'}
          </Text>
          <Button
            variant="quiet"
            label={`Choose the category on ${sheet.name}`}
            onPress={() => setChoosing(true)}
          >
            Choose
          </Button>
        </View>
        {effective.found && effective.found.sureness !== 'chosen' ? (
          <Text variant="small" tone={effective.found.sureness === 'sure' ? 'soft' : 'info'}>
            {suggestedWords(effective.found)}
          </Text>
        ) : null}
      </View>
    );
  return (
    <RankedChoice
      kind={item.kind}
      sheet={sheet}
      chosen={effective.category?.id ?? null}
      onChoose={(id) => {
        onChoose(id);
        setChoosing(false);
      }}
    />
  );
}

/** The likeliest categories for a kind, then all. */
export function RankedChoice(props: {
  kind: string;
  sheet: RuleSheet;
  chosen: string | null;
  onChoose: (category: string) => void;
}) {
  const { kind, sheet, chosen, onChoose } = props;
  const kinds = useKinds();
  const mappings = useAttic((s) => s.mappings);
  const [all, setAll] = useState(false);
  const ranked = useMemo(
    () => rankCategories(kind, kinds, sheet, Object.values(mappings)),
    [kind, kinds, sheet, mappings],
  );
  const likely = ranked.filter((r, i) => i < FEW && r.score > 0);
  const shown = all || likely.length === 0 ? ranked : likely;
  return (
    <View style={{ gap: 6 }}>
      <ChipRow label={`Category on ${sheet.name}`}>
        {shown.map(({ category }) => (
          <Chip key={category.id} on={category.id === chosen} onPress={() => onChoose(category.id)}>
            {category.name}
          </Chip>
        ))}
        {shown.length < ranked.length ? (
          <Chip
            role="button"
            on={false}
            label={`All categories on ${sheet.name}`}
            onPress={() => setAll(true)}
          >
            All of them
          </Chip>
        ) : null}
      </ChipRow>
      {!all && likely[0]?.why ? (
        <Text
          variant="small"
          tone="soft"
        >{`${likely[0].category.name} comes first: ${categoryReason(likely[0].why)}.`}</Text>
      ) : null}
    </View>
  );
}

function suggestedWords({ sureness, why }: NonNullable<Effective['found']>): string {
  switch (sureness) {
    case 'sure':
      return `Suggested, and sure: ${categoryReason(why)}. Sending it makes it yours for this kind.`;
    case 'last':
      return (
        'Nothing nearer is offered there: it takes whatever finds no other place. Not kept for this ' +
        'kind.'
      );
    default:
      return (
        `Suggested, not sure: ${categoryReason(why)}. Look once; it is kept for this kind only when ` +
        'you choose it.'
      );
  }
}

export function pathOf(sheet: RuleSheet, category: SheetCategory): string {
  const parent = sheet.categories.find((c) => c.id === category.parent);
  return [parent?.name, category.name].filter(Boolean).join(' › ');
}

function recordWords(category: SheetCategory | null): string {
  return category
    ? `Listed against its record, under ${category.name}`
    : 'Listed against a record: it needs its barcode';
}
