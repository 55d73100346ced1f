import type { Picture, Item } from '@/contract/records';

import type { KindTree } from '../kinds/tree';

/** One place on the shot list. */
export interface Shot {
  /** What a picture's `shows` says: `front`, `label`, `flaw:f1`. */
  id: string;
  name: string;
  /** What to do, in a few words. */
  how: string;
  state: 'taken' | 'skipped' | 'open';
}

/**
 * The pictures an item needs, in the order they are best taken: front with everything included, back, label,
 * maker's mark, what buyers of its kind look for, every flaw close, the measurements. The list is common
 * practice. It ticks itself off by what the pictures say they show.
 */
export function shotList(item: Item, pictures: readonly Picture[], kinds: KindTree): Shot[] {
  const kind = kinds.get(item.kind);
  const shown = new Set(pictures.flatMap((p) => (p.made ? ['measured'] : [p.shows])));
  for (const flaw of item.flaws)
    if (flaw.pictureId && pictures.some((p) => p.id === flaw.pictureId)) shown.add(`flaw:${flaw.id}`);
  const shot = (id: string, name: string, how: string): Shot => ({
    id,
    name,
    how,
    state: shown.has(id) ? 'taken' : item.skippedShots.includes(id) ? 'skipped' : 'open',
  });
  return [
    shot('front', 'Front', 'With everything that is included'),
    shot('back', 'Back', 'All of it'),
    shot('label', 'Label', 'Straight on, so that it can be read'),
    ...(kind?.path[0] === 'clothes' ? [] : [shot('mark', 'Maker’s mark', 'Stamp, signature or number')]),
    ...(kind?.details ?? []).map((d) => shot(`detail:${d}`, capital(d), 'Close')),
    ...item.flaws.map((f) =>
      shot(
        `flaw:${f.id}`,
        capital([f.type, f.place].filter(Boolean).join(', ')),
        'Close, with something for scale',
      ),
    ),
    shot('measured', 'Measurements', 'Flat, with a card or a sheet of paper beside it'),
  ];
}

/** What pictures show besides what the list asks for, in words. */
export const OTHER_SHOTS: readonly (readonly [shows: string, name: string])[] = [
  ['detail', 'Detail'],
  ['board', 'Whiteboard'],
  ['barcode', 'Barcode'],
];

/** The shot to take next: the first open one; null when the list is done. */
export function nextShot(shots: readonly Shot[]): Shot | null {
  return shots.find((s) => s.state === 'open') ?? null;
}

function capital(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en') + words.slice(1);
}
