import { lookOver } from './ads';
import { serveBoard } from './board';
import { servePages } from './pages';
import { SHEET } from './sheet';
import { everyWhile, frame, type Opening, type Service } from '../kit/service';

/**
 * Nearstile: a local board. Ads are put under the seller's own name for them and wait for a person to
 * look them over; buyers meet the seller, and only the seller knows when it is sold.
 */
export function nearstile(opening: Opening): Service {
  const made = frame({ name: SHEET.name, opening, seller: '/board' });
  serveBoard(made);
  servePages(made);
  return {
    id: 'nearstile',
    name: SHEET.name,
    app: made.app,
    ...everyWhile(300, () => made.turns.run(() => lookOver(made))),
  };
}
