import type { AtticSort } from '@/core/identity/atticSort';

/** What the app is called where it stands among others: in a window's title, on a phone's home screen. */
export const ATTIC_TITLES: Record<AtticSort, string> = {
  own: 'Yonder Attic',
  demo: 'Yonder Attic, demo',
  trial: 'Yonder Attic, trial',
};
