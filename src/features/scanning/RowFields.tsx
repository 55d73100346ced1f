import { useRouter } from 'expo-router';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { KindPicker } from '@/parts/trade/KindPicker';
import { MoneyField } from '@/parts/trade/MoneyField';
import { WearChips } from '@/parts/trade/WearChips';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { removeRows } from '@/store/scanning/rows';

/** What is changed of a row without leaving the session. */
export function RowFields({ item, onDone }: { item: Item; onDone: () => void }) {
  const router = useRouter();
  const currency = useAttic((s) => s.settings.currency);
  return (
    <View style={{ gap: 10, paddingHorizontal: 6, paddingBottom: 12 }}>
      <KindPicker item={item} />
      <Field
        label="Title"
        value={item.title}
        maxLength={400}
        onChange={(title) => editItem(item.id, 'title', { title })}
        onEnter={onDone}
      />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <MoneyField
            label="Price"
            currency={currency}
            value={item.price}
            onChange={(price) => editItem(item.id, 'price', { price })}
          />
        </View>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <MoneyField
            label="Cost"
            currency={currency}
            value={item.cost}
            onChange={(cost) => editItem(item.id, 'cost', { cost })}
          />
        </View>
        <View style={{ flexGrow: 1, minWidth: 120 }}>
          <Field
            label="Spot"
            value={item.spot}
            maxLength={60}
            onChange={(spot) => editItem(item.id, 'spot', { spot })}
          />
        </View>
      </View>
      <WearChips item={item} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button icon="check" onPress={onDone}>
          Close the row
        </Button>
        <Button variant="quiet" onPress={() => router.navigate(`/item/${item.id}`)}>
          Its sheet
        </Button>
        <Button variant="quiet" icon="remove" onPress={() => removeRows([item])}>
          Remove the row
        </Button>
      </View>
    </View>
  );
}
