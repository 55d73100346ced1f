import { colourOf, featuresOf } from './features';
import type { Seen } from './look';
import { outlineOf, standsOut } from './outline';
import type { Holdings, Look } from '../holdings';

/** How near to the floor's colours a pixel may be to be the thing's: both are tried. */
const STRICT = [1, 0.55] as const;

/** How far a picture is from every design, and the thing's colour in it. */
export function farFrom(
  holdings: Pick<Holdings, 'mean' | 'directions' | 'centres'>,
  picture: Seen,
): { far: number[]; colour: Look['colour'] } {
  const from = standsOut(picture);
  const views = STRICT.map((strict) => {
    const features = featuresOf(picture, outlineOf(picture, from, strict));
    const at = along(holdings, features);
    return {
      features,
      far: holdings.centres.map((centre) => Math.hypot(...centre.map((v, k) => v - at[k]!))),
    };
  });
  const least = (far: readonly number[]) => Math.min(...far);
  // The outline by which it looks like anything is the thing's.
  const best = views.reduce((a, b) => (least(b.far) < least(a.far) ? b : a));
  return {
    far: holdings.centres.map((_, d) => least(views.map((view) => view.far[d]!))),
    colour: colourOf(best.features),
  };
}

/** Where a picture's features are along the directions that tell designs apart. */
export function along(
  { mean, directions }: Pick<Holdings, 'mean' | 'directions'>,
  features: Float32Array,
): Float32Array {
  return Float32Array.from(directions, (d) => {
    let sum = 0;
    for (let k = 0; k < d.length; k += 1) sum += d[k]! * (features[k]! - mean[k]!);
    return sum;
  });
}
