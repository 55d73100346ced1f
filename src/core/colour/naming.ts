import { SHADES, type ColourName } from './shades';
import { ciede2000, type Lab } from '../pixels/lab';

/** So many of the nearest shades have a say; this ΔE₀₀ apart, one more counts half as much. */
const VOICES = 6;
const HALF = 2;

/**
 * What the trade calls a colour: the name that most of the nearest shades have (CIEDE2000), nearer ones
 * counting more.
 */
export function nameOf(lab: Lab): ColourName {
  return nameAmong([{ lab, weight: 1 }]);
}

/**
 * The same for a colour that may be one of several.
 *
 * @param likely at least one, with how likely each is
 */
export function nameAmong(likely: readonly { lab: Lab; weight: number }[]): ColourName {
  const voices = likely.flatMap(({ lab, weight }) =>
    SHADES.map(({ name, lab: shade }) => ({ name, far: ciede2000(lab, shade) }))
      .sort((one, other) => one.far - other.far)
      .slice(0, VOICES)
      .map(({ name, far }) => ({ name, says: weight / (HALF + far) })),
  );
  const total = (name: ColourName) =>
    voices.reduce((sum, one) => (one.name === name ? sum + one.says : sum), 0);
  // Of equals the one named first, the nearest.
  return voices.reduce((best, one) => (total(one.name) > total(best.name) ? one : best)).name;
}
