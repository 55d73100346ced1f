import type { Holdings, Look } from './holdings';
import { farFrom } from './seeing/far';
import type { Seen } from './seeing/look';

/** A look that a picture is like, and how much: 0 to 100, 50 is where nothing is like it any more. */
export interface Alike {
  look: Look;
  score: number;
}

/** Beside what is like enough, so much may stand, too. */
const BESIDE = 30;
/** How far, in the space of looks, one unit of L*a*b* is. */
const COLOUR = 0.16;
/** Lightness is more the light's than the thing's. */
const LIGHTNESS = 0.4;

/** Every look that a picture is like, the most alike first; empty where there is nothing like it. */
export function alikeIn(holdings: Holdings, picture: Seen): Alike[] {
  const { line } = holdings;
  const { far, colour } = farFrom(holdings, picture);
  if (Math.min(...far) > line) return [];
  return (
    holdings.looks
      .map((look) => {
        // One for each design.
        const own = far[look.design]!;
        return { look, own, far: Math.hypot(own, COLOUR * apart(look.colour, colour)) };
      })
      // What it is counts before what colour it has.
      .filter(({ own }) => scoreOf(own, line) >= BESIDE)
      .sort((x, y) => x.far - y.far)
      .map(({ look, far: all }) => ({ look, score: scoreOf(all, line) }))
  );
}

function apart(a: Look['colour'], b: Look['colour']): number {
  return Math.hypot(LIGHTNESS * (a[0] - b[0]), a[1] - b[1], a[2] - b[2]);
}

function scoreOf(far: number, line: number): number {
  return Math.round(100 / (1 + Math.exp((far - line) / (line / 6))));
}
