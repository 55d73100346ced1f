import { Order, orderId } from '@/contract/orders';
import { change, useAttic } from '@/store/attic/attic';

/** What is kept of an order now, or what a new record of it begins with. */
export function orderRecord(itemId: string, market: string, order: string): Order {
  const id = orderId(itemId, order);
  return useAttic.getState().orders[id] ?? Order.parse({ id, itemId, market, order });
}

/** Changes what is kept of an order. */
export function saveOrder(
  label: string,
  itemId: string,
  market: string,
  order: string,
  part: Partial<Order>,
): Order {
  const record = { ...orderRecord(itemId, market, order), ...part };
  change(label, [{ collection: 'orders', id: record.id, record }]);
  return record;
}
