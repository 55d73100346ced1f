import fc from 'fast-check';

import { SEVERITIES, TESTED, Thing, USES, type Flaw } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { conditionWord } from '../listing/onSheet';
import { conditionText } from './conditionText';
import { gradeOf, gradeOfThing } from './grade';

const flaw = (severity: Flaw['severity'], kind = 'hole'): Flaw => ({
  id: 'f',
  kind,
  place: 'hem',
  severity,
  sizeMm: null,
  pictureId: null,
  pin: null,
});
const anyFlaw = fc.constantFrom(...SEVERITIES).map((s) => flaw(s));
const sheets = [BRACKENMOOR, THREADWICK, NEARSTILE].map((s) => RuleSheet.parse(s));

describe('the grade', () => {
  it('is not given before the person has said how much it was used', () =>
    expect(gradeOf(null, [])).toBeNull());
  it('follows use when there is no flaw', () => expect(gradeOf('light', [])?.name).toBe('Lightly worn'));
  it('follows the worst flaw when that is worse, and says so', () => {
    const grade = gradeOf('tried', [flaw('slight'), flaw('serious', 'moth hole')]);
    expect(grade).toMatchObject({ wear: 4, because: 'serious: moth hole, hem' });
  });
  it('drops for three flaws that show', () =>
    expect(gradeOf('light', [flaw('clear'), flaw('clear'), flaw('clear')])?.wear).toBe(4));

  it('never improves by a flaw, nor does any marketplace’s word', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...USES),
        fc.array(anyFlaw, { maxLength: 6 }),
        anyFlaw,
        (use, flaws, more) => {
          const before = gradeOf(use, flaws);
          const after = gradeOf(use, [...flaws, more]);
          if (!before || !after) throw new Error('graded');
          expect(after.wear).toBeGreaterThanOrEqual(before.wear);
          for (const sheet of sheets) {
            const was = conditionWord(sheet, before.wear);
            const is = conditionWord(sheet, after.wear);
            // No word at all (it takes nothing that worn) is the worst.
            expect(is?.wear ?? 9).toBeGreaterThanOrEqual(was?.wear ?? 9);
            expect(is?.wear ?? 9).toBeGreaterThanOrEqual(after.wear);
          }
        },
      ),
    );
  });
});

describe('the grade of a thing, with all that is recorded', () => {
  const thing = (part: Partial<Thing>) =>
    Thing.parse({ id: 't', code: 'c', author: 'me', createdAt: 0, updatedAt: 0, use: 'tried', ...part });
  const anyThing = fc
    .record({
      use: fc.constantFrom(...USES),
      flaws: fc.array(anyFlaw, { maxLength: 5 }),
      missing: fc.constantFrom('', 'lid'),
      tested: fc.constantFrom(null, ...TESTED),
      gradeByHand: fc.option(fc.record({ wear: fc.integer({ min: 0, max: 5 }), why: fc.constantFrom('', 'polished since') })),
    })
    .map(thing); // prettier-ignore

  it('drops for a missing part and for what does not work', () => {
    expect(gradeOfThing(thing({ missing: 'lid' }))).toMatchObject({ wear: 3, because: 'missing: lid' });
    expect(gradeOfThing(thing({ tested: 'partly' }))?.wear).toBe(4);
    expect(gradeOfThing(thing({ tested: 'broken' }))?.name).toBe('For repair');
    expect(gradeOfThing(thing({ tested: 'untested' }))?.wear).toBe(1);
  });
  it('can be lowered by hand without a word, and raised only by saying why', () => {
    expect(gradeOfThing(thing({ gradeByHand: { wear: 4, why: '' } }))).toMatchObject({
      wear: 4,
      because: 'lowered by hand',
    });
    expect(gradeOfThing(thing({ use: 'hard', gradeByHand: { wear: 2, why: ' ' } }))?.wear).toBe(4);
    expect(gradeOfThing(thing({ use: 'hard', gradeByHand: { wear: 2, why: 'restored' } }))).toMatchObject({
      wear: 2,
      because: 'restored',
    });
  });
  it('never improves by a flaw, a missing part or a failed test', () => {
    fc.assert(
      fc.property(anyThing, anyFlaw, (before, more) => {
        const was = gradeOfThing(before)!.wear;
        const worse: Partial<Thing>[] = [{ flaws: [...before.flaws, more] }, { missing: 'a foot' }, { tested: 'broken' }];
        for (const part of worse) {
          if (part.tested && before.tested === 'broken') continue;
          const is = gradeOfThing({ ...before, ...part })!.wear;
          expect(is).toBeGreaterThanOrEqual(was);
        }
      }),
    ); // prettier-ignore
  });
  it('writes its condition in plain words, from the record and nothing else', () => {
    const words = conditionText(
      thing({
        flaws: [{ ...flaw('slight', 'chip'), place: 'rim', sizeMm: 4 }],
        included: 'lid', missing: 'spoon', tested: 'works', cleaned: true, smoke: false, pets: true,
        conditionNote: 'Looks better than it sounds.', spot: 'A3-12',
      }),
      'metric',
    ); // prettier-ignore
    expect(words).toEqual([
      'Condition: plainly worn, tried or used once or twice.',
      '- chip, rim (0.4 cm)',
      '- with it: lid',
      '- missing: spoon',
      '- tried out and works',
      '- cleaned',
      '- from a home without smoke but with pets',
      'Looks better than it sounds.',
    ]);
    expect(conditionText(thing({ use: null }), 'metric')).toEqual([]);
  });
});
