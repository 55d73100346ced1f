import fc from 'fast-check';

import { Choices } from '@/contract/choices';

import {
  combinations,
  draftAlike,
  inStock,
  isAlike,
  picturesOf,
  priceRange,
  severalAlike,
  valuesIn,
  withOptions,
  type Option,
} from './choices';
import { choicesShown } from './shown';

const made = (before: Choices | null, options: Option[]): Choices => {
  const done = withOptions(before, options, 'YA-0007');
  if (!done.ok) throw new Error(done.why.code);
  return Choices.parse(done.choices);
};
const sort = { name: 'Piece', values: ['mug', 'plate', 'bowl', 'jug'] };
const glaze = { name: 'Glaze', values: ['blue', 'brown'] };

it('counts four kinds of piece with four of each as sixteen', () => {
  // The worked example of the trade (common practice).
  const set = made(null, [sort]);
  const full = { ...set, pieces: set.pieces.map((p) => ({ ...p, stock: 4 })) };
  expect(full.pieces).toHaveLength(4);
  expect(inStock(full)).toBe(16);
});

it('keeps what is known of a piece when choices come and go', () => {
  const first = made(null, [sort]);
  first.pieces[1] = { ...first.pieces[1]!, stock: 3, price: 900, pictureIds: ['p1'] };
  const wider = made(first, [sort, glaze]);
  expect(wider.pieces).toHaveLength(8);
  const plate = wider.pieces.find((p) => p.values.join() === 'plate,blue');
  expect(plate).toMatchObject({ stock: 3, price: 900, code: first.pieces[1].code });
  const narrower = made(wider, [{ ...sort, values: ['plate'] }, glaze]);
  expect(narrower.pieces[0]).toEqual(plate);
});

it('never gives two pieces one code, nor a code again', () => {
  const values = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { minLength: 1 });
  fc.assert(
    fc.property(fc.array(fc.tuple(values, values), { minLength: 1, maxLength: 6 }), (steps) => {
      let now: Choices | null = null;
      const owners = new Map<string, string>();
      for (const [a, b] of steps) {
        now = made(now, [
          { name: 'x', values: a },
          { name: 'y', values: b },
        ]);
        expect(now.pieces).toHaveLength(a.length * b.length);
        expect(new Set(now.pieces.map((p) => p.code)).size).toBe(now.pieces.length);
        for (const { code, values: v } of now.pieces) {
          expect(owners.get(code) ?? v.join()).toBe(v.join());
          owners.set(code, v.join());
        }
      }
    }),
  );
});

it('says why options can’t be taken', () => {
  const why = (options: Option[]) => withOptions(null, options, 'c');
  expect(why([])).toMatchObject({ why: { code: 'howManyKinds' } });
  expect(why([{ name: ' ', values: ['a'] }])).toMatchObject({
    ok: false,
    why: { code: 'nameMissing' },
  });
  expect(why([sort, { name: 'PIECE ', values: ['a'] }])).toMatchObject({
    ok: false,
    why: { code: 'nameTwice' },
  });
  expect(why([{ name: 'a', values: [] }])).toMatchObject({ why: { code: 'valuesMissing' } });
  const many = Array.from({ length: 40 }, (_, i) => String(i));
  expect(
    why([
      { name: 'a', values: many },
      { name: 'b', values: many },
    ]),
  ).toMatchObject({ ok: false, why: { code: 'combinationsTooMany', params: { count: 1_600 } } });
});

it('reads values, ranges of price and shared pictures', () => {
  expect(valuesIn(' mug, plate;mug\nbowl,, ')).toEqual(['mug', 'plate', 'bowl']);
  expect(combinations([sort, glaze])).toHaveLength(8);
  const set = made(null, [sort]);
  expect(priceRange(set, null)).toBeNull();
  set.pieces[0] = { ...set.pieces[0]!, price: 2_000, pictureIds: ['p2', 'gone'] };
  expect(priceRange(set, 1_200)).toEqual({ from: 1_200, to: 2_000 });
  expect(picturesOf(set.pieces[0], ['p1', 'p2'])).toEqual(['p2']);
  expect(picturesOf(set.pieces[1]!, ['p1', 'p2'])).toEqual(['p1', 'p2']);
});

describe('several just alike', () => {
  it('is one piece under the item’s own code, and keeps what was said of showing it', () => {
    const three = severalAlike(null, 3, 'YA-0007');
    expect(Choices.parse(three)).toEqual(three);
    expect(isAlike(three)).toBe(true);
    expect(inStock(three)).toBe(3);
    const five = severalAlike({ ...three, heldBack: 1, cap: 2 }, 5, 'YA-0099');
    expect(five).toMatchObject({ heldBack: 1, cap: 2, pieces: [{ stock: 5, code: 'YA-0007' }] });
  });
  it('becomes variations and back without giving a code twice', () => {
    const three = severalAlike(null, 3, 'YA-0007');
    const varied = made(three, [sort]);
    expect(varied.pieces.map((p) => [p.code, p.stock])).toEqual([
      ['YA-0007', 3],
      ['YA-0007/1', 1],
      ['YA-0007/2', 1],
      ['YA-0007/3', 1],
    ]);
    expect(severalAlike(varied, 4, 'YA-0007')).toMatchObject({ nextPiece: 4, pieces: [{ stock: 4 }] });
  });
  it('no options with more than one piece are no record', () => {
    const three = severalAlike(null, 3, 'YA-0007');
    expect(Choices.safeParse({ ...three, pieces: [...three.pieces, ...three.pieces] }).success).toBe(false);
  });
  it('buyers never see more than there is, than is not held back, than the cap, or than is counted', () => {
    const small = fc.integer({ min: 0, max: 12 });
    fc.assert(
      fc.property(
        small,
        small,
        fc.option(fc.integer({ min: 1, max: 12 })),
        fc.option(fc.integer({ min: 1, max: 12 })),
        (stock, heldBack, cap, most) => {
          const draft = draftAlike({ ...severalAlike(null, stock, 'c'), heldBack, cap }, 900, most);
          const shown = choicesShown(draft).pieces[0]?.stock;
          expect(shown).toBe(Math.max(0, Math.min(stock - heldBack, cap ?? Infinity, most ?? 1)));
          expect(draft.pieces[0]?.stock).toBe(stock);
          expect(draft.oneAtATime ?? false).toBe(most === null);
        },
      ),
    );
  });
});
