import type { Moor } from './listings';
import { servePages } from './pages';
import { serveSeller } from './seller';
import { SHEET } from './sheet';
import { Hooks } from '../kit/hooks';
import { serveOrders } from '../kit/orders';
import { frame, type Opening, type Service } from '../kit/service';

/**
 * Brackenmoor: the big general marketplace. JSON, immediate answers, idempotency keys, signed
 * webhooks, and a feed of happenings with a cursor.
 */
export function brackenmoor(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/v1' });
  const hooks = new Hooks(made.store, opening.hook, 'x-brackenmoor-signature', made.switches);
  const moor: Moor = { ...made, hooks };
  serveSeller(moor);
  serveOrders(moor, { at: '/v1/orders', style: SHEET.statement });
  servePages(moor);
  return {
    id: 'brackenmoor',
    name: SHEET.name,
    app: moor.app,
    start: () => hooks.start(),
    stop: () => hooks.stop(),
  };
}
