import { servePages } from './pages';
import { SHEET } from './sheet';
import { AT_REST, frame, type Opening, type Service } from '../kit/service';

/**
 * Handbill: a board with a form and no way to call it. Whoever puts up a notice gets a key to take it down.
 */
export function handbill(opening: Opening): Service {
  // Nothing answers under a seller's path: there is none.
  const made = frame({ name: SHEET.name, opening, seller: '/nobody' });
  servePages(made);
  return { id: 'handbill', name: SHEET.name, app: made.app, ...AT_REST };
}
