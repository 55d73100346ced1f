import { useWide } from '@/theme/theme';

import { SalesDesk } from './SalesDesk';
import { OrderPage } from '../fulfilment/OrderPage';

/** One order; at a desk beside the other sales. */
export function Order() {
  return useWide() ? <SalesDesk /> : <OrderPage />;
}
