import { EXAM } from '@/testing/exam';

import { splitIntoItems, type Sketch } from './split';

const BLUE: [number, number, number] = [47, 74, 134];
const RED: [number, number, number] = [168, 63, 54];
const FLOOR: [number, number, number] = [220, 214, 200];

type Rgb = [number, number, number];
let count = 0;
const one = (exam: Partial<Sketch['exam']>, more: Partial<Sketch> = {}): Sketch => ({
  id: `p${(count += 1)}`,
  at: null,
  exam: { ...EXAM, outlined: true, ground: FLOOR, ...exam },
  hasWords: false,
  isCode: false,
  ...more,
});
const whole = (rgb: Rgb, more: Partial<Sketch> = {}) => one({ tones: [{ rgb, share: 1 }] }, more);
/** Cloth that fills the frame. */
const close = (rgb: Rgb, more: Partial<Sketch> = {}) =>
  one({ outlined: false, area: 0, box: [0, 0, 0, 0], ground: rgb, grounds: 4 }, more);
const label = (more: Partial<Sketch> = {}) => whole([250, 250, 248], { hasWords: true, ...more });
const card = () => one({ outlined: false, area: 0, grounds: 0.6, sure: 1, ground: [240, 240, 238] });
const sizes = (pictures: readonly Sketch[]) => splitIntoItems(pictures).items.map((ids) => ids.length);

describe('pictures of several items', () => {
  beforeEach(() => (count = 0));
  it('begin another where all of one is seen again in other colours', () =>
    expect(sizes([whole(BLUE), whole(BLUE), close(BLUE), label(), whole(RED), close(RED)])).toEqual([4, 2]));
  it('are of one where back and front are of one colour, and labels and close-ups begin none', () =>
    expect(sizes([whole(BLUE), label(), whole(BLUE), close(RED)])).toEqual([4]));
  it('are parted by a plain card, which belongs to none, though they look alike', () => {
    const all = [whole(BLUE), whole(BLUE), card(), whole(BLUE)];
    expect(splitIntoItems(all)).toEqual({ items: [['p1', 'p2'], ['p4']], separators: ['p3'] });
  });
  it('are parted by a picture of a barcode, which is of the one that follows', () =>
    expect(
      sizes([one({}, { isCode: true }), whole(BLUE), whole(BLUE), one({}, { isCode: true }), whole(BLUE)]),
    ).toEqual([3, 2]));
  it('of one colour are parted by a pause much longer than the usual one', () => {
    const times = [0, 6, 12, 17, 110, 116, 121, 220, 226];
    const of = (seconds: number, i: number) => whole(BLUE, { at: 1e12 + seconds * 1_000, id: `p${i}` });
    expect(sizes(times.map(of))).toEqual([4, 3, 2]);
  });
  it('of none are none', () => expect(splitIntoItems([])).toEqual({ items: [], separators: [] }));
});
