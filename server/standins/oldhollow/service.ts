import { endWhatIsOver, type Hollow } from './pieces';
import { serveRooms } from './rooms';
import { serveSeller } from './seller';
import { SHEET } from './sheet';
import { Hooks } from '../kit/hooks';
import { serveOrders } from '../kit/orders';
import { everyWhile, frame, type Opening, type Service } from '../kit/service';

/**
 * Oldhollow: old items, at a fixed price or in an auction. Pieces are put under the seller's own name for
 * them; tidings are sent, as a rule twice, and can be read again.
 */
export function oldhollow(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/hollow', usual: { hooksTwice: true } });
  const hooks = new Hooks(made.store, opening.hook, 'x-oldhollow-seal', made.switches);
  const hollow: Hollow = { ...made, hooks };
  serveSeller(hollow);
  serveOrders(hollow, { at: '/hollow/sales', style: SHEET.statement });
  serveRooms(hollow);
  const looking = everyWhile(500, () => hollow.turns.run(() => endWhatIsOver(hollow)));
  return {
    id: 'oldhollow',
    name: SHEET.name,
    app: hollow.app,
    start: () => {
      hooks.start();
      looking.start();
    },
    stop: () => {
      hooks.stop();
      looking.stop();
    },
  };
}
