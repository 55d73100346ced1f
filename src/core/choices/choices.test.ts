import fc from 'fast-check';

import { Choices } from '@/contract/choices';

import {
  codeTrouble,
  combinations,
  draftAlike,
  inStock,
  isAlike,
  picturesOf,
  priceRange,
  severalAlike,
  valuesIn,
  withOptions,
  withoutPiece,
  withPiece,
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

describe('a combination of which there is none', () => {
  it('is taken away and stays away, whatever becomes of the options, until it is brought back', () => {
    const set = made(null, [sort, glaze]);
    const gone = set.pieces[3]!;
    const less = withoutPiece(set, gone.code);
    expect(less.pieces).toHaveLength(set.pieces.length - 1);
    expect(less.pieces.map((p) => p.code)).not.toContain(gone.code);
    const again = made(less, [sort, glaze]);
    expect(again.pieces.map((p) => p.code)).toEqual(less.pieces.map((p) => p.code));
    const back = withPiece(again, gone.values, 'YA-1');
    expect(back.pieces.map((p) => p.values)).toEqual(set.pieces.map((p) => p.values));
    // A new piece: the code of one that was taken away never comes twice.
    expect(back.pieces[3]?.code).not.toBe(gone.code);
    expect(back.away).toEqual([]);
  });
  it('the last one stays', () => {
    const set = made(null, [{ name: 'Piece', values: ['mug'] }]);
    expect(withoutPiece(set, set.pieces[0]!.code)).toBe(set);
    const two = made(null, [sort]);
    const all = two.pieces.reduce((now, p) => withoutPiece(now, p.code), two);
    expect(all.pieces).toHaveLength(1);
    const onlyAway = { ...all, away: [...all.away, all.pieces[0]!.values] };
    expect(withOptions(onlyAway, [sort], 'YA-1')).toMatchObject({ ok: false, why: { code: 'allAway' } });
  });
});

it('a piece has a code that no other has', () => {
  const set = made(null, [sort]);
  const [a, b] = set.pieces;
  expect(codeTrouble(set, a!, 'MUG-BLUE')).toBeNull();
  expect(codeTrouble(set, a!, a!.code)).toBeNull();
  expect(codeTrouble(set, a!, ` ${b!.code} `)?.code).toBe('pieceCodeTwice');
  expect(codeTrouble(set, a!, '  ')?.code).toBe('pieceCodeMissing');
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
