import fc from 'fast-check';

import { readRecord, upToDate, type Migration } from './migrations';
import { Item } from './records';

const item = Item.parse({ id: 't', code: 'YA-0001', author: 'me', createdAt: 1, updatedAt: 1 });

describe('reading stored records', () => {
  it('reads what it wrote', () =>
    expect(readRecord('items', JSON.parse(JSON.stringify(item)), 1)).toEqual({ ok: true, record: item }));

  it('brings an old record up to date, step by step', () => {
    const steps: Migration[] = [
      { record: (_, raw) => ({ ...raw, spot: raw.shelf }) },
      {
        record: (collection, raw) =>
          collection === 'items' ? { ...raw, title: `${String(raw.title)}!` } : raw,
      },
    ];
    const old = { ...item, spot: undefined, shelf: 'A3-12', title: 'Gansey' };
    expect(readRecord('items', old, 1, steps)).toMatchObject({
      ok: true,
      record: { spot: 'A3-12', title: 'Gansey!' },
    });
    expect(readRecord('items', { ...item, title: 'Gansey' }, 2, steps)).toMatchObject({
      ok: true,
      record: { title: 'Gansey!' },
    });
  });

  it('knows by its present name where a reading came from', () => {
    const reading = { id: 'r', field: 'fact:brand', value: 'Ostler', confidence: 90 };
    const readings = [{ ...reading, from: 'desk' }, { ...reading, from: 'words' }, reading];
    const raw = JSON.parse(JSON.stringify({ ...item, readings })) as Record<string, unknown>;
    expect(upToDate('items', raw, 2)).toMatchObject({
      readings: [{ from: 'productLookup' }, { from: 'words' }, reading],
    });
    // Only some fields of a record, as the journal keeps them; and what is up to date already.
    expect(upToDate('items', { title: 'Gansey' }, 2)).toEqual({ title: 'Gansey' });
    expect(upToDate('items', upToDate('items', raw, 2), 2)).toEqual(upToDate('items', raw, 2));
    expect(upToDate('plans', { readings }, 2)).toEqual({ readings });
  });

  it('sets aside what a newer app wrote', () =>
    expect(readRecord('items', item, 9)).toMatchObject({ ok: false }));

  it('says which field is at fault', () =>
    expect(readRecord('items', { ...item, price: -1 }, 1)).toMatchObject({
      ok: false,
      why: expect.stringMatching(/^price/),
    }));

  it('never throws, whatever it is given', () => {
    fc.assert(fc.property(fc.anything(), (raw) => typeof readRecord('items', raw, 1).ok === 'boolean'));
    expect(readRecord('items', item, 1, []).ok).toBe(true);
  });

  it('keeps words exactly: emoji, right-to-left, control characters', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 300 }), (title) => {
        const read = readRecord('items', JSON.parse(JSON.stringify({ ...item, title })), 1);
        expect(title.length > 400 || (read.ok && read.record.title === title)).toBe(true);
      }),
    );
  });
});
