import { Order, orderId } from '@/contract/orders';

import { change, useAttic } from '../attic';

/** What is kept of an order now, or what a new record of it begins with. */
export function orderRecord(thingId: string, market: string, order: string): Order {
  const id = orderId(thingId, order);
  return useAttic.getState().orders[id] ?? Order.parse({ id, thingId, market, order });
}

/** Changes what is kept of an order. */
export function saveOrder(
  label: string,
  thingId: string,
  market: string,
  order: string,
  part: Partial<Order>,
): Order {
  const record = { ...orderRecord(thingId, market, order), ...part };
  change(label, [{ collection: 'orders', id: record.id, record }]);
  return record;
}
