import { insideOf, type Inside } from './inside';
import { apart, quadArea, roughQuads, type Quad } from './quads';
import { endsOf, sidesOf, withoutShadows, type End, type Side, type Sides } from './sides';
import { shrunk, type Pixels } from '../../pixels/pixels';
import {
  couldBeOther,
  FOUND_SIGMA,
  LEAST_SIDE,
  planeFrom,
  REFERENCE_SIZES,
  sideLengths,
  type Corners,
  type MeasuredPlane,
  type Reference,
} from '../plane';

/** What was found that could be the reference. */
export interface FoundSheet {
  /** Pixels, in order around. */
  corners: Corners;
  /** Standard deviation of each, pixels, by how straight its two sides came out. */
  sigmas: readonly number[];
  /** What speaks against its being the reference: with any, a person has to say where it lies. */
  doubts: readonly SheetDoubt[];
}

/**
 * `small`: too few pixels to tell its shape by. `sides`: an edge that can't be followed, or is bent.
 * `goesOn`: edges that go on beyond corners, as tiles do. `shape`: other proportions. `look`: coloured,
 * patterned, or darker at the rim than within. `rival`: something else looks as much like it.
 */
export type SheetDoubt = 'small' | 'sides' | 'goesOn' | 'shape' | 'look' | 'rival';

/** Longer side of the picture a sheet is looked for in; its corners are then made exact in the full one. */
const SIDE = 600;
/** So many of the best are looked at in the full picture. */
const LOOKED_AT = 14;
/** What a card fills of its four corners, rounded as they are: more does not make it likelier. */
const ROUNDED_FILL = 0.95;
/**
 * However softly a shadow lies along it: corners are not taken for less certain when its shape is judged.
 * Pixels.
 */
const SHAPE_SIGMA = 0.5;
/** Degrees. */
const STEEPEST = 36;
/** Standard deviations of corners in the small picture, pixels. */
const ROUGH = [0.4, 0.4, 0.4, 0.4] as const;

/** Where a card's rounded corner ends: 3.18 mm (ISO/IEC 7810) of its shorter side. */
const ROUNDED = 3.18 / 53.98 + 0.01;

const LIMITS = {
  /** Share of a side that has an edge on it: the worst side's, and all sides' mean. */
  support: [0.62, 0.8],
  /** A side leaves its straight line by so many pixels, or by this share of its length. */
  wander: [0.5, 0.0015],
  /** Share of the places just before a corner with an edge. */
  upTo: 0.3,
  /** Of the eight ends at four corners so many may go on. */
  goOn: 2,
  /** Share of the places beyond an end with an edge in line from which it goes on. */
  goesOn: 0.6,
  /** Share of the places around it with its own colour from which no end at all may go on. */
  repeated: 0.25,
  /** Chroma of paper in odd light, ΔE*ab; its scatter; how far a rim may be from what is within. */
  chroma: 30,
  scatter: 5,
  rim: 9,
  /** Paper is among what is lightest: its L* is at least this share of the lightest twentieth's. */
  light: 0.72,
} as const;

/**
 * Finds a card or sheet of paper lying beside the item, with its four corners to a fraction of a pixel.
 *
 * @returns the likeliest, with what speaks against it; null when nothing looks like it at all
 */
export function findSheet(picture: Pixels, reference: Reference): FoundSheet | null {
  const { long, short } = REFERENCE_SIZES[reference];
  const small = shrunk(picture, SIDE);
  const scale = picture.width / small.width;
  // A buckle or a chip has four good sides as well: what has the size and shape is looked at first.
  const fits = (quad: Quad) =>
    (isSmall(quad, small) ? 0 : 0.5) +
    (planeFrom(reference, quad, small.width, small.height, ROUGH) ? 0.5 : 0);
  const rough = roughQuads(small, long / short)
    .flatMap(({ quad, fill }) => {
      const seen = sidesOf(small, quad, 5);
      return seen
        ? [
            {
              quad: seen.corners,
              score: Math.min(ROUNDED_FILL, fill) + meanSupport(seen.sides) + fits(seen.corners),
            },
          ]
        : [];
    })
    .sort((a, b) => b.score - a.score);
  const distinct: Quad[] = [];
  for (const { quad } of rough)
    if (distinct.length < LOOKED_AT && distinct.every((other) => apart(other, quad) > 2)) distinct.push(quad);
  const lightest = lightestOf(small);
  const all = distinct
    .flatMap((quad) => {
      const exact = exactSides(picture, scaled(quad, scale), scale);
      return exact ? [judged(picture, reference, exact, lightest)] : [];
    })
    .sort((a, b) => a.doubts.length - b.doubts.length || b.score - a.score);
  const best = chosen(all);
  if (!best) return null;
  const rival = all.find(
    (other) => other !== best && other.doubts.length === 0 && apart(other.corners, best.corners) > 6 * scale,
  );
  // What takes long is done for the one that counts.
  const exact = withoutShadows(picture, best);
  const { corners, sigmas, doubts } = exact ? judged(picture, reference, exact, lightest) : best;
  return {
    corners,
    sigmas,
    doubts: rival && doubts.length === 0 && !nested(rival, best) ? ['rival'] : doubts,
  };
}

interface Candidate extends FoundSheet {
  corners: Quad;
  sides: readonly Side[];
  score: number;
}

/** Of those without a doubt the largest around the best: a frame drawn on a sheet is not its edge. */
function chosen(all: readonly Candidate[]): Candidate | null {
  const best = all[0];
  if (!best || best.doubts.length > 0) return best ?? null;
  const around = all.filter((one) => one.doubts.length === 0 && nested(best, one));
  return around.sort((a, b) => quadArea(b.corners) - quadArea(a.corners))[0] ?? best;
}

/** Whether the middle of one lies within the box of the other. */
function nested(inner: Candidate, outer: Candidate): boolean {
  const middle = (k: 'x' | 'y') => inner.corners.reduce((sum, c) => sum + c[k], 0) / 4;
  return (['x', 'y'] as const).every((k) => {
    const all = outer.corners.map((c) => c[k]);
    return middle(k) > Math.min(...all) && middle(k) < Math.max(...all);
  });
}

function scaled(quad: Quad, scale: number): Quad {
  const [a, b, c, d] = quad;
  const to = ({ x, y }: { x: number; y: number }) => ({ x: x * scale, y: y * scale });
  return [to(a), to(b), to(c), to(d)];
}

function exactSides(picture: Pixels, quad: Quad, scale: number): Sides | null {
  const coarse = sidesOf(picture, quad, Math.ceil(2.5 * scale) + 3);
  return coarse && (sidesOf(picture, coarse.corners, Math.ceil(scale) + 3) ?? coarse);
}

function meanSupport(sides: readonly Side[]): number {
  return sides.reduce((sum, side) => sum + side.support, 0) / sides.length;
}

function judged(
  picture: Pixels,
  reference: Reference,
  { corners, sides }: Sides,
  lightest: number,
): Candidate {
  const doubts: SheetDoubt[] = [];
  // A corner is where two sides cross: it is as uncertain as they are.
  const sigmas = sides.map((side, i) =>
    Math.max(FOUND_SIGMA, Math.hypot(side.sigma, sides[(i + 3) % 4]!.sigma)),
  );
  if (isSmall(corners, picture)) doubts.push('small');
  if (!cleanSides(corners, sides)) doubts.push('sides');
  const ends = sides.map((side, i) =>
    endsOf(picture, corners[i]!, corners[(i + 1) % 4]!, side.strength, reference === 'card' ? ROUNDED : 0.02),
  );
  const inside = insideOf(picture, corners);
  if (ends.flat().some((end) => end.upTo < LIMITS.upTo)) doubts.push('sides');
  if (goOn(ends, inside.repeated > LIMITS.repeated)) doubts.push('goesOn');
  const plane = planeFrom(
    reference,
    corners,
    picture.width,
    picture.height,
    sigmas.map((sigma) => Math.min(SHAPE_SIGMA, sigma)),
  );
  // Seen from that far aside anything with four corners could be it.
  const { width, height } = picture;
  if (!plane || plane.doubt || plane.tilt > STEEPEST || couldBeOther(plane, width, height))
    doubts.push('shape');
  if (reference !== 'card' && !isPaper(inside, lightest)) doubts.push('look');
  return { corners, sides, sigmas, doubts, score: scoreOf(sides, plane) };
}

function isSmall(quad: Quad, { width, height }: { width: number; height: number }): boolean {
  return Math.min(...sideLengths(quad)) < LEAST_SIDE * Math.max(width, height);
}

/**
 * Whether edges go on beyond the corners. One or two may, by chance; but not where what lies around looks
 * like what lies within, and not the two beside one side: then that side lies too far in.
 */
function goOn(ends: readonly (readonly [End, End])[], repeated: boolean): boolean {
  const on = ends.map(([first, last]) => [first.beyond, last.beyond].map((share) => share >= LIMITS.goesOn));
  const count = on.flat().filter(Boolean).length;
  const tooFarIn = on.some((_, i) => on[(i + 3) % 4]?.[1] && on[(i + 1) % 4]?.[0]);
  return count > (repeated ? 0 : LIMITS.goOn) || tooFarIn;
}

function cleanSides(corners: Quad, sides: readonly Side[]): boolean {
  const least = Math.min(...sides.map((side) => side.support));
  const lengths = sideLengths(corners);
  const straight = sides.every((side, i) => side.wander < LIMITS.wander[0] + LIMITS.wander[1] * lengths[i]!);
  return straight && least >= LIMITS.support[0] && meanSupport(sides) >= LIMITS.support[1];
}

function isPaper({ colour, scatter, rims }: Inside, lightest: number): boolean {
  const [l, a, b] = colour;
  return (
    Math.hypot(a, b) < LIMITS.chroma &&
    l > LIMITS.light * lightest &&
    scatter < LIMITS.scatter &&
    Math.max(...rims) < LIMITS.rim
  );
}

function scoreOf(sides: readonly Side[], plane: MeasuredPlane | null): number {
  const strength = Math.min(...sides.map((side) => Math.min(1, side.strength / 60)));
  return meanSupport(sides) + 0.3 * strength + (plane ? 0.5 : 0);
}

/** L* that only a twentieth of the picture is lighter than, about. */
function lightestOf({ data }: Pixels): number {
  const some: number[] = [];
  for (let at = 0; at < data.length; at += 4 * 53) {
    const luma = (0.2126 * data[at]! + 0.7152 * data[at + 1]! + 0.0722 * data[at + 2]!) / 255;
    some.push(luma);
  }
  some.sort((x, y) => x - y);
  const y = (some[Math.floor(some.length * 0.95)] ?? 1) ** 2.2;
  return 116 * Math.cbrt(y) - 16;
}
