import fc from 'fast-check';

import { chargeableWeight, postageOf, setPostage, STARTING_RATES } from './rates';

const box = (l: number, w: number, h: number) => ({ lengthMm: l, widthMm: w, heightMm: h });
const light = (l: number, w: number, h: number) => ({ grams: 500, size: box(l, w, h) });

describe('chargeable weight', () => {
  // IATA: 1 kg for every 6,000 cm³; carriers by road commonly 5,000 cm³ (common practice). 60 × 50 × 40 cm is
  // 120,000 cm³.
  it.each([
    [6_000, 20_000],
    [5_000, 24_000],
    [null, 500],
  ])('of 120,000 cm³ by %p is %i g', (divisor, grams) =>
    expect(chargeableWeight(light(600, 500, 400), divisor)).toBe(grams),
  );
  it('is the scales’ where they say more, or nobody measured', () => {
    expect(chargeableWeight({ grams: 9_000, size: box(100, 100, 100) }, 5_000)).toBe(9_000);
    expect(chargeableWeight({ grams: 700, size: null }, 5_000)).toBe(700);
  });
});

describe('postage', () => {
  it('goes by bands, and ends where the carrier does', () => {
    expect(postageOf({ grams: 250, size: null })).toEqual({ ok: true, price: 290, chargedG: 250 });
    expect(postageOf({ grams: 251, size: null })).toMatchObject({ price: 420 });
    expect(postageOf({ grams: 31_501, size: null })).toEqual({
      ok: false,
      why: { code: 'parcelTooHeavy', params: { mostG: 31_500 } },
    });
    expect(postageOf({ grams: 500, size: null }, 'near')).toMatchObject({ price: 1_150 });
    expect(postageOf({ grams: 500, size: null }, 'moon')).toMatchObject({ ok: false });
  });
  it('charges for room, and takes nothing too long or bulky', () => {
    expect(postageOf(light(400, 300, 250))).toEqual({ ok: true, price: 1_250, chargedG: 6_000 });
    expect(postageOf(light(1_201, 50, 50))).toMatchObject({
      why: { code: 'parcelTooLong', params: { mostMm: 1_200 } },
    });
    expect(postageOf(light(1_000, 600, 500))).toMatchObject({
      why: { code: 'parcelTooBulky', params: { mostMm: 3_000 } },
    });
  });
  it('never falls as a parcel grows', () => {
    const side = fc.integer({ min: 10, max: 900 });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 30_000 }),
        side,
        side,
        side,
        fc.nat(2_000),
        (grams, l, w, h, more) => {
          const [a, b] = [
            { grams, size: box(l, w, h) },
            { grams: grams + more, size: box(l + (more % 50), w, h) },
          ].map((p) => postageOf(p));
          if (a?.ok && b?.ok) expect(b.price).toBeGreaterThanOrEqual(a.price);
          if (a && !a.ok) expect(b?.ok).toBe(false);
        },
      ),
    );
  });
  it('has rates in falling steps nowhere', () => {
    for (const { bands } of STARTING_RATES.zones)
      bands.forEach((b, i) => expect(b.price).toBeGreaterThan(bands[i - 1]?.price ?? 0));
  });
  // Four kinds of piece, each further one cheaper: common practice.
  it('takes a flat amount for the first piece of a set and less for each further', () => {
    expect(setPostage(420, 100, 4)).toBe(720);
    expect(setPostage(420, 100, 1)).toBe(420);
    expect(setPostage(420, 100, 0)).toBe(0);
  });
});
