import { SHADES, type ColourName } from './shades';
import { ciede2000, type Lab } from '../pixels/lab';

/** So many of the nearest shades have a say; this ΔE₀₀ apart, one more counts half as much. */
const VOICES = 3;
const HALF = 2;

/**
 * What the trade calls a colour: the name that most of the nearest shades have (CIEDE2000), nearer ones
 * counting more.
 */
export function nameOf(lab: Lab): ColourName {
  const near = SHADES.map(({ name, lab: shade }) => ({ name, far: ciede2000(lab, shade) }))
    .sort((one, other) => one.far - other.far)
    .slice(0, VOICES);
  const weight = (name: ColourName) =>
    near.reduce((sum, one) => (one.name === name ? sum + 1 / (HALF + one.far) : sum), 0);
  // Of equals the nearest.
  return near.reduce((best, one) => (weight(one.name) > weight(best.name) ? one : best)).name;
}
