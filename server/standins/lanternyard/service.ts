import { serveKeeper } from './keeper';
import { SHEET } from './sheet';
import { serveShop } from './shop';
import { serveOrders } from '../kit/orders';
import { AT_REST, frame, type Opening, type Service } from '../kit/service';

/**
 * Lanternyard: hosts the seller's own shop. Goods are put under the keeper's own name for them and are in the
 * shop at once; stock is counted, and what is sold can't be bought. Baskets, checkout and coupons.
 */
export function lanternyard(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/admin' });
  serveKeeper(made);
  serveOrders(made, { at: '/admin/sales', style: SHEET.statement });
  serveShop(made);
  return { id: 'lanternyard', name: SHEET.name, app: made.app, ...AT_REST };
}
