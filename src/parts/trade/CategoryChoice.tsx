import { useState } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { SheetCategory } from '@/contract/ruleSheet';
import type { Effective } from '@/core/listing/effective';
import type { Examined } from '@/core/listing/examine';
import { Button } from '@/parts/ui/Button';
import { CopyButton } from '@/parts/ui/CopyButton';
import { Text } from '@/parts/ui/Text';
import { noteCategories } from '@/store/items/mappings';
import { categoryReason } from '@/wording/kinds';

import { CategoryFinder, pathOf } from './CategoryFinder';

/** The category there with its number; pressed, it is looked for. */
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
        {effective.category ? (
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Text variant="small" tone="soft" figures>
              {`Its number there: ${effective.category.id}`}
            </Text>
            <CopyButton label={`Copy the category’s number on ${sheet.name}`} text={effective.category.id}>
              Copy
            </CopyButton>
          </View>
        ) : null}
        {effective.found && effective.found.sureness !== 'chosen' ? (
          <Text variant="small" tone={effective.found.sureness === 'sure' ? 'soft' : 'info'}>
            {suggestedWords(effective.found)}
          </Text>
        ) : null}
      </View>
    );
  return (
    <CategoryFinder
      kind={item.kind}
      sheet={sheet}
      chosen={effective.category?.id ?? null}
      onChoose={(id) => {
        onChoose(id);
        noteCategories([{ market: sheet.marketplace, category: id }]);
        setChoosing(false);
      }}
    />
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

function recordWords(category: SheetCategory | null): string {
  return category
    ? `Listed against its record, under ${category.name}`
    : 'Listed against a record: it needs its barcode';
}
