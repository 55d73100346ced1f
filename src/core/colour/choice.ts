import { SHADES, type Shade } from './shades';
import { clothDifference } from '../pixels/lab';

/** Colours people write -> the plainer ones that a list is likely to have, nearest first. Common practice. */
const PLAINER: Readonly<Record<string, readonly string[]>> = {
  navy: ['blue'],
  indigo: ['blue'],
  teal: ['turquoise', 'blue', 'green'],
  cream: ['ecru', 'off-white', 'white'],
  ivory: ['ecru', 'white'],
  beige: ['sand', 'oatmeal', 'ecru', 'cream', 'off-white', 'brown'],
  rust: ['orange', 'brown'],
  tan: ['camel', 'beige', 'brown'],
  olive: ['green'],
  brass: ['gold', 'yellow'],
  charcoal: ['grey'],
  burgundy: ['red'],
  orange: ['rust', 'red'],
  multicoloured: ['mixed', 'many colours'],
  silver: ['silver', 'grey'],
  oatmeal: ['ecru', 'beige'],
};

/** What stands between two colours of one thing: the first is its main one. */
const BETWEEN = /[,/&+\n]|\band\b/iu;
/** Fewer colours than this on a list, and it is no list of colours. */
const LEAST = 3;
/** Difference beyond which two colours are not taken for each other, whatever else is on the list. */
const FAR = 15;

/**
 * The colour on a marketplace's list that means what was said: the same word, a plainer one, what the trade
 * calls a shade of that name, or the one that looks nearest (CIEDE2000).
 *
 * @param words as a person writes them: "Petrol", "dusty rose", "Navy and cream"
 * @returns null where they mean no known colour, it is no list of colours, or nothing on it is near
 */
export function plainerColour(words: string, choices: readonly string[]): string | null {
  const key = lower(words.split(BETWEEN)[0] ?? '');
  // "Wool and silk" is not wool: only of colours the first is the main one.
  if (key !== lower(words) && !(key in PLAINER) && !shadeOf(key)) return null;
  const among = (wishes: readonly string[]) => {
    for (const wish of wishes) {
      const hit = choices.find((choice) => lower(choice) === wish);
      if (hit) return hit;
    }
    return null;
  };
  const called = among([key, ...(PLAINER[key] ?? [])]);
  if (called) return called;
  const said = SHADES.find((shade) => shade.words === key);
  const colours = choices.flatMap((choice) => {
    const shade = shadeOf(choice);
    return shade ? [{ choice, shade }] : [];
  });
  if (!said || colours.length < LEAST) return null;
  const name = lower(said.name);
  return among([name, ...(PLAINER[name] ?? [])]) ?? nearest(said, colours);
}

function nearest(said: Shade, colours: readonly { choice: string; shade: Shade }[]): string | null {
  let best: string | null = null;
  let least = FAR;
  for (const { choice, shade } of colours) {
    const far = clothDifference(shade.lab, said.lab);
    if (far < least) [best, least] = [choice, far];
  }
  return best;
}

const lower = (text: string) =>
  text
    .trim()
    .toLocaleLowerCase('en')
    .replace(/\bgray\b/u, 'grey');

/** The shade that is called so; of a colour alone the first. */
function shadeOf(words: string): Shade | undefined {
  const said = lower(words);
  return SHADES.find((shade) => shade.words === said) ?? SHADES.find((shade) => lower(shade.name) === said);
}
