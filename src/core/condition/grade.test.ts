import fc from 'fast-check';

import { SEVERITIES, TESTED, Item, USES, type Flaw } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { bestByHand, betterBecause, derivedGrade, gradeNames, gradeOf, gradeOfItem, mayGrade } from './grade';
import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';
import { conditionWord } from '../listing/onSheet';
import { fillPattern, TONES } from '../words/pattern';

const flaw = (severity: Flaw['severity'], kind = 'hole'): Flaw => ({
  id: 'f',
  type: kind,
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
  it('follows use when there is no flaw', () => expect(gradeOf('light', [])?.wear).toBe(2));
  it('follows the worst flaw when that is worse, and says so', () => {
    const grade = gradeOf('tried', [flaw('slight'), flaw('serious', 'moth hole')]);
    expect(grade).toMatchObject({ wear: 4, because: { code: 'flaw', params: { type: 'moth hole' } } });
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

describe('the grade of an item, with all that is recorded', () => {
  const item = (part: Partial<Item>) =>
    Item.parse({ id: 't', code: 'c', author: 'me', createdAt: 0, updatedAt: 0, use: 'tried', ...part });
  const anyThing = fc
    .record({
      use: fc.constantFrom(...USES),
      flaws: fc.array(anyFlaw, { maxLength: 5 }),
      missing: fc.constantFrom('', 'lid'),
      tested: fc.constantFrom(null, ...TESTED),
      gradeByHand: fc.option(
        fc.record({ wear: fc.integer({ min: 0, max: 5 }), why: fc.constantFrom('', 'polished since') }),
      ),
    })
    .map(item);

  it('drops for a missing part and for what does not work', () => {
    expect(gradeOfItem(item({ missing: 'lid' }))).toMatchObject({
      wear: 3,
      because: { code: 'missing', params: { part: 'lid' } },
    });
    expect(gradeOfItem(item({ tested: 'partly' }))?.wear).toBe(4);
    expect(gradeOfItem(item({ tested: 'broken' }))?.wear).toBe(5);
    expect(gradeOfItem(item({ tested: 'untested' }))?.wear).toBe(1);
  });
  it('can be lowered by hand without a word, and raised only by saying why', () => {
    expect(gradeOfItem(item({ gradeByHand: { wear: 4, why: '' } }))).toMatchObject({
      wear: 4,
      because: { code: 'byHand', params: { why: '' } },
    });
    expect(gradeOfItem(item({ use: 'hard', gradeByHand: { wear: 2, why: ' ' } }))?.wear).toBe(4);
    expect(gradeOfItem(item({ use: 'hard', gradeByHand: { wear: 2, why: 'restored' } }))).toMatchObject({
      wear: 2,
      because: { code: 'byHand', params: { why: 'restored' } },
    });
  });
  it('never improves by a flaw, a missing part or a failed test', () => {
    fc.assert(
      fc.property(anyThing, anyFlaw, (before, more) => {
        const was = gradeOfItem(before)!.wear;
        const worse: Partial<Item>[] = [
          { flaws: [...before.flaws, more] },
          { missing: 'a foot' },
          { tested: 'broken' },
        ];
        for (const part of worse) {
          if (part.tested && before.tested === 'broken') continue;
          const is = gradeOfItem({ ...before, ...part })!.wear;
          expect(is).toBeGreaterThanOrEqual(was);
        }
      }),
    );
  });
  it('is never better by hand than a flaw, a missing part or a failed test allows', () => {
    fc.assert(
      fc.property(anyThing, (it) => {
        const grade = gradeOfItem(it)!;
        expect(grade.wear).toBeGreaterThanOrEqual(bestByHand(it));
        for (const f of it.flaws) expect(grade.wear).toBeGreaterThanOrEqual(gradeOf('unused', [f])!.wear);
        const derived = derivedGrade(it)!;
        expect(betterBecause(it)).toBe(grade.wear < derived.wear ? it.gradeByHand!.why.trim() : '');
      }),
    );
    // As it was found: graded "unused" by hand with a crack in the handle.
    const cracked = item({
      flaws: [{ ...flaw('serious', 'crack'), place: 'handle' }],
      gradeByHand: { wear: 0, why: 'never used' },
    });
    expect(gradeOfItem(cracked)?.wear).toBe(4);
    expect(mayGrade(cracked, { wear: 0, why: 'never used' })).toBe(false);
    expect(mayGrade(cracked, { wear: 4, why: '' })).toBe(true);
  });
});

describe('the grade in words', () => {
  it.each([
    ['jumper', 'Lightly worn'],
    ['vase', 'Lightly used'],
    ['book', 'Lightly read'],
    ['map', 'Lightly used'],
    ['record', 'Lightly played'],
    ['fiddle', 'Lightly played'],
    ['bag', 'Lightly used'],
    ['', 'Lightly used'],
  ])('fit %s', (kind, words) => expect(gradeNames(kind, BUILT_IN)[2]).toBe(words));

  const words = (part: Partial<Item>) => {
    const item = Item.parse({
      id: 't',
      code: 'c',
      author: 'me',
      createdAt: 0,
      updatedAt: 0,
      kind: 'vase',
      use: 'hard',
      ...part,
    });
    return TONES.map((tone) => fillPattern(tone.text, item, BUILT_IN, 'metric')).map((f) =>
      f.ok ? f.text : f.why.code,
    );
  };
  it('say in public why it is better than its use', () => {
    for (const text of words({ gradeByHand: { wear: 2, why: 'restored in a workshop' } }))
      expect(text).toContain('restored in a workshop');
  });
  it('find no flaws, and look with care, only where the person said that they looked', () => {
    for (const text of words({})) expect(text).not.toMatch(/no flaws|with care/u);
    expect(words({ looked: true }).join(' ')).toMatch(/no flaws found.*with care.*found no flaws/su);
    for (const text of words({ looked: true, flaws: [flaw('slight', 'chip')] }))
      expect(text).not.toMatch(/no flaws/u);
  });
});
