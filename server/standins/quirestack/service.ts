import { countParcels, serveDepot } from './depot';
import { serveLists, workThroughLists } from './lists';
import { SHEET } from './sheet';
import { serveShop } from './shop';
import { serveStock } from './stock';
import { serveOrders } from '../kit/orders';
import { everyWhile, frame, type Opening, type Service } from '../kit/service';

/**
 * Quirestack: books, music, film and games against records found by barcode. Nothing is answered at once:
 * lists are uploaded, a ticket comes back, and a processing report says later what became of each line.
 */
export function quirestack(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/feed', usual: { reviewTime: 1_200 } });
  serveStock(made);
  serveLists(made);
  serveDepot(made);
  serveOrders(made, { at: '/feed/orders', style: SHEET.statement });
  serveShop(made);
  const work = () =>
    made.turns.run(async () => {
      await countParcels(made);
      await workThroughLists(made);
    });
  return { id: 'quirestack', name: SHEET.name, app: made.app, ...everyWhile(200, work) };
}
