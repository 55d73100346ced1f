import fc from 'fast-check';

import { readRecord, type Migration } from './migrations';
import { Thing } from './records';

const thing = Thing.parse({ id: 't', code: 'YA-0001', author: 'me', createdAt: 1, updatedAt: 1 });

describe('reading stored records', () => {
  it('reads what it wrote', () =>
    expect(readRecord('things', JSON.parse(JSON.stringify(thing)), 1)).toEqual({ ok: true, record: thing }));

  it('brings an old record up to date, step by step', () => {
    const steps: Migration[] = [
      (_, raw) => ({ ...raw, spot: raw.shelf }),
      (collection, raw) => (collection === 'things' ? { ...raw, title: `${String(raw.title)}!` } : raw),
    ];
    const old = { ...thing, spot: undefined, shelf: 'A3-12', title: 'Gansey' };
    expect(readRecord('things', old, 1, steps)).toMatchObject({
      ok: true,
      record: { spot: 'A3-12', title: 'Gansey!' },
    });
    expect(readRecord('things', { ...thing, title: 'Gansey' }, 2, steps)).toMatchObject({
      ok: true,
      record: { title: 'Gansey!' },
    });
  });

  it('sets aside what a newer app wrote', () =>
    expect(readRecord('things', thing, 9)).toMatchObject({ ok: false }));

  it('says which field is at fault', () =>
    expect(readRecord('things', { ...thing, price: -1 }, 1)).toMatchObject({
      ok: false,
      why: expect.stringMatching(/^price/),
    }));

  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.anything(), (raw) => typeof readRecord('things', raw, 1).ok === 'boolean'));
    expect(readRecord('things', thing, 1, []).ok).toBe(true);
  });

  it('keeps words exactly: emoji, right-to-left, control characters', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (title) => {
        const read = readRecord('things', JSON.parse(JSON.stringify({ ...thing, title })), 1);
        expect(title.length > 400 || (read.ok && read.record.title === title)).toBe(true);
      }),
    );
  });
});
