import { mean } from 'd3-array';

import type { LineRead } from './lineReader';
import { redrawn, type Plane } from '../../pixels/pixels';

/** Mean sureness of the signs from which on a line is read once only. */
const SURE = 0.95;
/** How else an unsure line is drawn: so many times as long; leaning by so many columns a row. */
const OTHERWISE = [
  { long: 0.85, lean: 0 },
  { long: 1.18, lean: 0 },
  { long: 1, lean: 0.2 },
  { long: 1, lean: -0.2 },
] as const;

/**
 * What a line says: one that the reader is not sure of is read again drawn narrower, wider and leaning either
 * way, as hands are, and what the surest of them agree on is taken.
 *
 * @param first what was read of it as it is
 */
export function readSteadily(
  read: (strip: Plane) => LineRead,
  strip: Plane,
  first: LineRead = read(strip),
): LineRead {
  if (sureness(first) >= SURE || first.text === '') return first;
  const all = [first, ...OTHERWISE.map((how) => read(drawnOtherwise(strip, how)))];
  const said = (one: LineRead) => one.text.split(/\s+/u).join(' ').trim();
  const votes = new Map<string, number>();
  for (const one of all) votes.set(said(one), (votes.get(said(one)) ?? 0) + sureness(one));
  const most = Math.max(...votes.values());
  const chosen = all.filter((one) => votes.get(said(one)) === most);
  return chosen.reduce((best, one) => (sureness(one) > sureness(best) ? one : best));
}

function drawnOtherwise(strip: Plane, { long, lean }: (typeof OTHERWISE)[number]): Plane {
  const { height } = strip;
  const width = Math.max(1, Math.round(strip.width * long));
  const leftmost = (-lean * height) / 2;
  return redrawn(strip, { width, height, fine: 1 }, [strip.width / width, 0, lean, 1, leftmost, 0]);
}

/** Of a line's signs, 0 to 1. */
export const sureness = ({ sure }: LineRead): number => mean(sure) ?? 0;
