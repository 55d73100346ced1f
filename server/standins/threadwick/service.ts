import { servePages } from './pages';
import { serveRail } from './rail';
import { SHEET } from './sheet';
import { serveOrders } from '../kit/orders';
import { AT_REST, frame, type Opening, type Service } from '../kit/service';

/**
 * Threadwick: clothes, shoes and bags. A form with the photos in one call, a journal to be read again
 * and again (it calls nobody), and a strict pace. One hanging piece a reference: a second call with
 * the same one is told where the first hangs.
 */
export function threadwick(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/rail' });
  serveRail(made);
  serveOrders(made, { at: '/rail/sales', style: SHEET.statement });
  servePages(made);
  return { id: 'threadwick', name: SHEET.name, app: made.app, ...AT_REST };
}
