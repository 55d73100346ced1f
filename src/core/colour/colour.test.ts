import fc from 'fast-check';

import type { Exam } from '@/contract/records';

import { plainerColour } from './choice';
import { nameAmong, nameOf } from './naming';
import { coloursSeen } from './seen';
import { SHADES } from './shades';
import { COLOURS } from '../kinds/facts';
import { clothDifference, ciede2000, labOf, rgbOf } from '../pixels/lab';
import { tonesOf } from '../pixels/tones';

const byte = fc.integer({ min: 0, max: 255 });
type Rgb = [number, number, number];

describe('what the trade calls a colour', () => {
  // Named colours of CSS Color Module Level 4; the trade's names for them are common practice.
  it.each<[string, Rgb, string]>([
    ['navy', [0, 0, 128], 'Blue'],
    ['midnightblue', [25, 25, 112], 'Blue'],
    ['teal', [0, 128, 128], 'Teal'],
    ['olive', [128, 128, 0], 'Olive'],
    ['forestgreen', [34, 139, 34], 'Green'],
    ['firebrick', [178, 34, 34], 'Red'],
    ['hotpink', [255, 105, 180], 'Pink'],
    ['rebeccapurple', [102, 51, 153], 'Purple'],
    ['gold', [255, 215, 0], 'Yellow'],
    ['dimgray', [105, 105, 105], 'Grey'],
    ['snow', [255, 250, 250], 'White'],
    ['black', [0, 0, 0], 'Black'],
  ])('%s', (_, rgb, name) => expect(nameOf(labOf(...rgb))).toBe(name));

  it('is on the list that a person chooses from, whatever the colour', () =>
    fc.assert(
      fc.property(fc.tuple(byte, byte, byte), (rgb) => expect(COLOURS).toContain(nameOf(labOf(...rgb)))),
      { numRuns: 60 },
    ));
  it('that may be one of several is what the likelier ones are called', () =>
    fc.assert(
      fc.property(fc.tuple(byte, byte, byte), fc.tuple(byte, byte, byte), (one, other) => {
        const [a, b] = [labOf(...one), labOf(...other)];
        const either = nameAmong([
          { lab: a, weight: 1 },
          { lab: b, weight: 1e-6 },
        ]);
        expect(either).toBe(nameOf(a));
      }),
      { numRuns: 60 },
    ));
  it('of each shade that is known is nearly always its own', () => {
    const own = SHADES.filter(({ name, lab }) => nameOf(lab) === name);
    expect(own.length / SHADES.length).toBeGreaterThan(0.97);
  });
});

describe('differences of colour', () => {
  it('of lightness alone count half on cloth', () =>
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 95 }), fc.integer({ min: 5, max: 95 }), (one, other) =>
        expect(clothDifference([one, 0, 0], [other, 0, 0])).toBeCloseTo(
          ciede2000([one, 0, 0], [other, 0, 0]) / 2,
          6,
        ),
      ),
    ));
  it('L*a*b* and back is the same colour', () =>
    fc.assert(fc.property(fc.tuple(byte, byte, byte), (rgb) => expect(rgbOf(labOf(...rgb))).toEqual(rgb))));
});

describe('on a marketplace’s list', () => {
  const PLAIN = ['Red', 'Blue', 'Green', 'Brown', 'Yellow', 'Black', 'White', 'Grey', 'Purple', 'Ecru'];
  it.each([
    ['Cream', 'Ecru'],
    ['aubergine', 'Purple'],
    ['Charcoal', 'Grey'],
    ['petrol', 'Blue'],
    ['Bottle green', 'Green'],
    ['gray', 'Grey'],
    // Of two the first is the main one.
    ['Navy and cream', 'Blue'],
    ['red / white', 'Red'],
    // No pink and nothing near it.
    ['hot pink', null],
    ['thunder', null],
  ])('%s is %s', (words, choice) => expect(plainerColour(words, PLAIN)).toBe(choice));
  it('a list of stuffs is no list of colours, and two stuffs are not the first of them', () => {
    expect(plainerColour('brick', ['Wool', 'Slate grey', 'Oak'])).toBeNull();
    expect(plainerColour('wool and silk', ['Wool', 'Silk', 'Cotton'])).toBeNull();
  });
});

/** A floor, and on it a square half in one colour, half in the other, with light and shade. */
function drawn(floor: Rgb, one: Rgb, other: Rgb) {
  const [width, height] = [200, 200];
  const data = new Uint8ClampedArray(width * height * 4).fill(255);
  const mask = { width, height, data: new Uint8Array(width * height) };
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 1) {
      const inside = x > 40 && x < 160 && y > 40 && y < 160;
      const shade = inside ? 1 - 0.12 * Math.sin(x / 9) ** 2 : 1;
      const rgb = inside ? (y < 100 ? one : other) : floor;
      data.set(
        rgb.map((v) => v * shade),
        p * 4,
      );
      if (inside) mask.data[p] = 255;
    }
  return { picture: { width, height, data }, mask };
}

describe('the colours of a thing', () => {
  const PAPER: Rgb = [238, 238, 238];
  const seen = (part: Partial<Exam>) =>
    // What is not asked of an examination here.
    coloursSeen({ blown: 0, bright: 0.9, ground: PAPER, tones: [], outlined: true, ...part } as Exam);
  it('are gathered from its own pixels, light and shade as one', () => {
    const { picture, mask } = drawn(PAPER, [31, 42, 68], [31, 42, 68]);
    const tones = tonesOf(picture, mask);
    expect(tones).toHaveLength(1);
    expect(seen({ tones }).names).toEqual(['Navy']);
  });
  it('are two where there are two', () => {
    const { picture, mask } = drawn(PAPER, [31, 42, 68], [240, 234, 214]);
    expect(seen({ tones: tonesOf(picture, mask) }).names.sort()).toEqual(['Cream', 'Navy']);
  });
  it('are none where there is no thing', () => {
    const { picture } = drawn(PAPER, PAPER, PAPER);
    expect(tonesOf(picture, { width: 200, height: 200, data: new Uint8Array(40_000) })).toEqual([]);
    expect(seen({})).toEqual({ names: [], isDoubtful: false });
  });
  it('a button is none of them, four are many', () => {
    const red = { rgb: [190, 20, 30] as Rgb, share: 0.9 };
    expect(seen({ tones: [red, { rgb: [20, 60, 160], share: 0.1 }] }).names).toEqual(['Red']);
    const four = (
      [
        [190, 20, 30],
        [20, 60, 160],
        [40, 130, 60],
        [240, 210, 40],
      ] as Rgb[]
    ).map((rgb) => ({
      rgb,
      share: 0.25,
    }));
    expect(seen({ tones: four }).names).toEqual(['Multicoloured']);
  });
  it('are seen through a slight cast, and doubted in a strong one', () => {
    // White in daylight; the same and its paper under a lamp.
    const white = { rgb: [244, 244, 243] as Rgb, share: 1 };
    expect(seen({ tones: [white] })).toEqual({ names: ['White'], isDoubtful: false });
    const lit = seen({ tones: [{ rgb: [252, 226, 180], share: 1 }], ground: [248, 222, 178] });
    expect(lit.isDoubtful).toBe(true);
  });
  it('are called what most lights would have them called, with a perhaps where some would not', () => {
    // Between brown and olive.
    const between = { rgb: [138, 116, 84] as Rgb, share: 1 };
    const each = fc.record({ r: byte, g: byte, b: byte });
    expect(seen({ tones: [between], ground: [150, 150, 150] }).isDoubtful).toBe(true);
    fc.assert(
      fc.property(each, ({ r, g, b }) => {
        const { names } = seen({ tones: [{ rgb: [r, g, b], share: 1 }], ground: [190, 190, 190] });
        expect(names).toHaveLength(1);
        expect(COLOURS).toContain(names[0]);
      }),
      { numRuns: 40 },
    );
  });
  it('are doubted where the outline is', () => {
    const tones = [{ rgb: [190, 20, 30] as Rgb, share: 1 }];
    expect(seen({ tones, outlined: false })).toEqual({ names: ['Red'], isDoubtful: true });
  });
  it('are doubted in a picture that is too dark or too bright', () => {
    const tones = [{ rgb: [190, 20, 30] as Rgb, share: 1 }];
    expect(seen({ tones }).isDoubtful).toBe(false);
    expect(seen({ tones, bright: 0.2 }).isDoubtful).toBe(true);
    expect(seen({ tones, blown: 0.6 }).isDoubtful).toBe(true);
  });
});
