import type { Picture } from '@/contract/picture';

import { LIMITS } from './judge';
import { maySend } from './origin';

/** What of a marketplace's rules decides which pictures go there, and in what order. */
export interface PhotoRules {
  max: number;
  /** How many its buyers see before they swipe or press. */
  shownAtOnce: number;
}

/**
 * The pictures that go to a marketplace, in its buyers' order. The person's order is kept, with three
 * exceptions: the cover carries no writing; where not all fit, plain details give way to flaws and
 * measurements; and the first measurement picture is among those seen at once. Pictures that may not be sent
 * are left out.
 */
export function picturesFor(pictures: readonly Picture[], { max, shownAtOnce }: PhotoRules): Picture[] {
  const sendable = pictures.filter(maySend);
  const cover = sendable.find((p) => !hasWriting(p)) ?? sendable[0];
  if (!cover) return [];
  const others = sendable.filter((p) => p !== cover);
  const must = others.filter((p) => isFlaw(p) || p.made !== null);
  const room = max - 1;
  const kept = new Set(must.slice(0, room));
  for (const p of others) if (kept.size < room) kept.add(p);
  const order = [cover, ...others.filter((p) => kept.has(p))];
  const measured = order.findIndex((p) => p.made !== null);
  if (measured >= shownAtOnce && shownAtOnce >= 2) {
    order.splice(shownAtOnce - 1, 0, ...order.splice(measured, 1));
  }
  return order;
}

/**
 * The clip that goes to a marketplace: the first it takes; null where it takes none, or this item has none.
 */
export function clipFor(
  pictures: readonly Picture[],
  rules: { maxSeconds: number; maxBytes: number } | undefined,
): Picture | null {
  if (!rules) return null;
  return (
    pictures
      .filter(maySend)
      .find((p) => p.clip && p.clip.seconds <= rules.maxSeconds && p.bytes <= rules.maxBytes) ?? null
  );
}

function isFlaw(picture: Picture): boolean {
  return picture.shows.startsWith('flaw:');
}

/** A measurement picture has figures on it; others are judged by what was found beside the item. */
export function hasWriting(picture: Picture): boolean {
  return picture.made !== null || (picture.exam?.writing ?? 0) >= LIMITS.writing;
}
