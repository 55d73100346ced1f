import fc from 'fast-check';

import { copiesAmong, copiesToRemove, copyFileName, copyTag, NEWEST_KEPT } from './kept';

const stamp = fc
  .date({ min: new Date('2024-01-01'), max: new Date('2027-12-31'), noInvalidDate: true })
  .map((d) =>
    d
      .toISOString()
      .replace('T', '-')
      .replaceAll(/:|\..*/gu, ''),
  );
const tag = fc.constantFrom('own', 'demo1', 'other');
const names = fc.uniqueArray(fc.tuple(tag, stamp).map(([t, s]) => copyFileName(t, s)));
const strangers = fc.array(
  fc.oneof(
    fc.string(),
    fc.constantFrom('attic-2026-11-28.zip', 'attic-own-2026-13-01-000000.zip', 'Read me.txt', 'attic.zip'),
  ),
);

describe('copies in a folder', () => {
  it('are known by their names, the newest first, whatever else is there', () => {
    fc.assert(
      fc.property(names, strangers, (ours, others) => {
        const found = copiesAmong([...others, ...ours].filter((n, i, all) => all.indexOf(n) === i));
        expect(found.map((c) => c.name).sort()).toEqual([...ours].sort());
        for (const [i, one] of found.entries())
          expect(one.stamp <= (found[i - 1]?.stamp ?? '9999')).toBe(true);
      }),
    );
  });

  it('the newest seven stay and the newest of each month; what is not this attic’s is left alone', () => {
    fc.assert(
      fc.property(names, strangers, tag, (ours, others, mine) => {
        const gone = new Set(copiesToRemove([...ours, ...others], mine));
        const own = copiesAmong(ours).filter((c) => c.tag === mine);
        for (const name of gone) expect(own.map((c) => c.name)).toContain(name);
        const left = own.filter((c) => !gone.has(c.name));
        expect(left.slice(0, NEWEST_KEPT)).toEqual(own.slice(0, NEWEST_KEPT));
        const months = new Set(own.map((c) => c.stamp.slice(0, 7)));
        for (const month of months) {
          const newest = own.find((c) => c.stamp.startsWith(month));
          expect(left).toContain(newest);
        }
        expect(left.length).toBeLessThanOrEqual(NEWEST_KEPT + months.size);
      }),
    );
  });

  it('a year of a copy a day leaves eighteen', () => {
    const days = Array.from({ length: 365 }, (_, i) => new Date(Date.UTC(2026, 0, 1 + i)).toISOString());
    let there: string[] = [];
    for (const day of days) {
      there.push(copyFileName('own', `${day.slice(0, 10)}-210000`));
      const gone = new Set(copiesToRemove(there, 'own'));
      there = there.filter((n) => !gone.has(n));
    }
    // Seven of December, the last of which is December's own, and one of each month before.
    expect(there).toHaveLength(7 + 11);
    expect(there).toContain('attic-own-2026-02-28-210000.zip');
  });

  it('an attic’s name becomes a part of theirs, or a word of its own', () => {
    expect(copyTag('V1StGXR8_Z5jdHi6B-myT')).toBe('V1StGXR8Z5jd');
    expect(copyTag('../..')).toBe('own');
  });
});
