import fc from 'fast-check';

import { SEVERITIES, USES, type Flaw } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';

import { SHEET as BRACKENMOOR } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as NEARSTILE } from '../../../server/standins/nearstile/sheet';
import { SHEET as THREADWICK } from '../../../server/standins/threadwick/sheet';
import { conditionWord } from '../listing/mapping';
import { gradeOf } from './grade';

const flaw = (severity: Flaw['severity'], kind = 'hole'): Flaw => ({
  id: 'f',
  kind,
  place: 'hem',
  severity,
  sizeMm: null,
  pictureId: null,
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
