import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { pathOf } from '@/parts/trade/CategoryFinder';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useKinds } from '@/store/items/kinds';

import type { There } from './useThere';

/** Where a kind goes on one marketplace, in a line; it can be asked again. */
export function ThereLine({ there, onAsk }: { there: There; onAsk: () => void }) {
  const { kind, sheet, category, items } = there;
  const kinds = useKinds();
  const name = kinds.get(kind)?.name ?? kind;
  const shelf = sheet.categories.find((c) => c.id === category);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, minHeight: 52 }}>
      <View style={{ flex: 1 }}>
        <Text>{`${name} on ${sheet.name}: ${shelf ? pathOf(sheet, shelf) : 'none'}`}</Text>
        <Text variant="small" tone="soft" figures>
          {`${plural(items.length, 'one item', `${items.length} items`)} · ${category}`}
        </Text>
      </View>
      <Button variant="quiet" label={`Another category for ${name} on ${sheet.name}`} onPress={onAsk}>
        Another
      </Button>
    </View>
  );
}
