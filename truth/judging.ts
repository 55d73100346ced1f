import { judge } from '@/core/picture/judge';
import { TWINS } from '@/core/picture/twins';
import { examine } from '@/core/pixels/examine';
import { fingerprintDistance, fingerprintOf } from '@/core/pixels/fingerprint';

import type { Art } from './art';
import type { Letters } from './fonts';
import { ASPECTS, judgedCases, type Aspect, type JudgedCase } from './judged';
import { atLeast, atMost, type Verdict } from './verdict';

/** Findings by the aspect they are of. */
const ASPECT_OF: Record<string, Aspect> = {
  blurred: 'sharpness',
  softPerhaps: 'sharpness',
  dark: 'dark',
  tooBright: 'tooBright',
  cutOff: 'cutOff',
  smallInFrame: 'fill',
  backgroundNotPlain: 'background',
  writing: 'writing',
};

/** @returns what is said about it */
function saidOf({ picture, beside }: JudgedCase): Set<Aspect> {
  if (beside) {
    const distance = fingerprintDistance(fingerprintOf(beside), fingerprintOf(picture));
    return new Set(distance < TWINS.ofItem ? ['duplicate'] : []);
  }
  const exam = examine(picture);
  const findings = judge(
    { ...picture, shows: 'front', made: null, exam },
    { cover: true, stance: undefined, twin: null },
  );
  return new Set(findings.flatMap(({ code }) => ASPECT_OF[code] ?? []));
}

/** Of each verdict how often it is found where it is so, and said where it is not; and the matrix of both. */
export async function judgingFigures(
  art: Art,
  { from, sets, letters }: { from: number; sets: number; letters: Letters },
): Promise<Verdict[]> {
  const count = new Map<string, number>();
  const add = (key: string) => count.set(key, (count.get(key) ?? 0) + 1);
  const of = (key: string) => count.get(key) ?? 0;
  let cases = 0;
  for (let seed = from; seed < from + sets; seed += 1)
    for (const one of await judgedCases(art, seed, letters)) {
      cases += 1;
      const said = saidOf(one);
      for (const aspect of ASPECTS) {
        const truth = one.truth[aspect];
        if (truth !== undefined) add(`${aspect} ${truth} ${said.has(aspect)}`);
      }
    }
  return [
    atLeast('judged.cases', cases, sets * 12, 'count'),
    ...ASPECTS.flatMap((aspect) => {
      const share = (truth: boolean) => {
        const yes = of(`${aspect} ${truth} true`);
        return yes / Math.max(1, yes + of(`${aspect} ${truth} false`));
      };
      return [
        atLeast(`judged.${aspect}.found`, share(true), 0.9),
        atMost(`judged.${aspect}.false`, share(false), 0.03),
      ];
    }),
  ];
}
