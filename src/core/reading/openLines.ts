import type { ReadLine, TextRead } from '@/contract/picture';

import { careIn } from './care';
import { READ_WORDS } from './sense';

/** So many are shown: more are no question, but a task. */
const FEW = 6;
/** Lines of less confidence are as likely a fold of the cloth, 0 to 100. */
const LEGIBLE = 70;

/** Where words stand that were understood. */
type Box = ReadLine['box'];

/**
 * Lines of a picture that were legible and that nothing was made of: a person may say what they are.
 *
 * @param understood where what was understood stands
 * @param known what the item says already: a line that says the same is understood
 */
export function openLines(
  { page, line }: TextRead,
  understood: readonly Box[],
  known: readonly string[],
): ReadLine[] {
  const values = known.map(letters).filter((value) => value !== '');
  const common = new Set(READ_WORDS);
  const open: ReadLine[] = [];
  for (const one of [...page, ...line]) {
    const words = letters(one.text);
    const isLegible = one.confidence >= LEGIBLE && (/\p{L}{2}/u.test(one.text) || /\d/u.test(one.text));
    if (!isLegible || words === '' || understood.some((box) => isIn(one.box, box))) continue;
    if (open.some((o) => isIn(one.box, o.box) || letters(o.text) === words)) continue;
    if (values.some((value) => value === words || (value.length > 2 && words.includes(value)))) continue;
    if (careIn([one.text]) !== null || isOfCommon(one.text, common)) continue;
    open.push(one);
  }
  return open.slice(0, FEW);
}

const letters = (text: string) => text.toLocaleLowerCase('en').replace(/[^\p{L}\p{N}]+/gu, '');

/** Whether the middle of one lies in the other, or the other way round. */
function isIn(a: Box, b: Box): boolean {
  const holds = ([x, y, w, h]: Box, [ox, oy, ow, oh]: Box) =>
    ox + ow / 2 >= x && ox + ow / 2 <= x + w && oy + oh / 2 >= y && oy + oh / 2 <= y + h;
  return holds(a, b) || holds(b, a);
}

function isOfCommon(text: string, common: ReadonlySet<string>): boolean {
  const words = text.toLocaleLowerCase('en').match(/\p{L}{2,}/gu) ?? [];
  return words.length > 0 && !/\d/u.test(text) && words.every((word) => common.has(word));
}
