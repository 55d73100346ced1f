import { useLocalSearchParams } from 'expo-router';

import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useOrders } from '@/store/derived/useOrders';
import { nameOr } from '@/store/items/names';

import { OrderBody } from './OrderBody';

/** One order, named by its item. */
export function OrderPage() {
  const { id = '' } = useLocalSearchParams<{ id?: string }>();
  const row = useOrders().find((r) => r.id === id);
  const item = useAttic((s) => (row ? s.items[row.itemId] : undefined));
  if (!row)
    return (
      <Page title="Order" back="/sales">
        <Text tone="soft">There is no such order.</Text>
      </Page>
    );
  return (
    <Page title={nameOr(item, 'Something not in this attic')} back="/sales">
      <OrderBody row={row} />
    </Page>
  );
}
