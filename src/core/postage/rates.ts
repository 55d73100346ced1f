import type { CarrierRates } from '@/contract/carrier';
import { NONE, type Coded, type None } from '@/contract/coded';

import type { Minor } from '../money/money';

/** Until the carrier's own were read: a table of our own, common practice, from memory. */
export const STARTING_RATES: CarrierRates = {
  valid: '',
  zones: [
    {
      id: 'inland',
      name: 'Inland',
      bands: [
        { upToG: 250, price: 290 },
        { upToG: 1_000, price: 420 },
        { upToG: 2_000, price: 580 },
        { upToG: 5_000, price: 890 },
        { upToG: 10_000, price: 1_250 },
        { upToG: 31_500, price: 1_900 },
      ],
    },
    {
      id: 'near',
      name: 'Neighbouring countries',
      bands: [
        { upToG: 250, price: 690 },
        { upToG: 1_000, price: 1_150 },
        { upToG: 2_000, price: 1_480 },
        { upToG: 5_000, price: 1_990 },
        { upToG: 10_000, price: 2_790 },
        { upToG: 31_500, price: 4_400 },
      ],
    },
    {
      id: 'far',
      name: 'Rest of the world',
      bands: [
        { upToG: 250, price: 990 },
        { upToG: 1_000, price: 1_890 },
        { upToG: 2_000, price: 2_690 },
        { upToG: 5_000, price: 4_490 },
        { upToG: 20_000, price: 9_900 },
      ],
    },
  ],
  divisor: 5_000,
  maxLongest: 1_200,
  maxGirth: 3_000,
};

/** What packing costs the seller, a parcel: box, paper, tape. Common practice, from memory. */
export const PACKAGING: Minor = 60;

/** A packed parcel; its size where somebody measured it. Grams and millimetres. */
export interface Parcel {
  grams: number;
  size: { lengthMm: number; widthMm: number; heightMm: number } | null;
}

/**
 * The weight a carrier charges for: the scales or the room it takes, whichever is more, in grams.
 *
 * @param divisor cubic centimetres a kilogram: 6,000 by air (IATA), 5,000 with most carriers (common
 * practice)
 */
export function chargeableWeight({ grams, size }: Parcel, divisor: number | null): number {
  if (!size || divisor === null) return grams;
  const cubicCm = (size.lengthMm * size.widthMm * size.heightMm) / 1_000;
  return Math.max(grams, Math.ceil((cubicCm / divisor) * 1_000));
}

/** Why a carrier does not take a parcel; millimetres and grams. */
export interface UnpostableParams {
  parcelTooLong: { mostMm: number };
  parcelTooBulky: { mostMm: number };
  parcelTooHeavy: { mostG: number };
  carrierNotThere: None;
}
export type Unpostable = Coded<UnpostableParams>;

export type Postage = { ok: true; price: Minor; chargedG: number } | { ok: false; why: Unpostable };

/** What posting a parcel costs, or why the carrier does not take it. */
export function postageOf(parcel: Parcel, zone = 'inland', rates: CarrierRates = STARTING_RATES): Postage {
  const bands = rates.zones.find((z) => z.id === zone)?.bands ?? [];
  const chargedG = chargeableWeight(parcel, rates.divisor);
  if (parcel.size) {
    const [longest = 0, middle = 0, least = 0] = Object.values(parcel.size).sort((a, b) => b - a);
    if (longest > rates.maxLongest)
      return { ok: false, why: { code: 'parcelTooLong', params: { mostMm: rates.maxLongest } } };
    if (longest + 2 * (middle + least) > rates.maxGirth)
      return { ok: false, why: { code: 'parcelTooBulky', params: { mostMm: rates.maxGirth } } };
  }
  const band = bands.find((b) => chargedG <= b.upToG);
  if (band) return { ok: true, price: band.price, chargedG };
  const mostG = bands.at(-1)?.upToG;
  return {
    ok: false,
    why:
      mostG === undefined
        ? { code: 'carrierNotThere', params: NONE }
        : { code: 'parcelTooHeavy', params: { mostG } },
  };
}

/**
 * Postage of several pieces of a set in one parcel: one price for the first, a smaller one for each further.
 */
export function setPostage(first: Minor, further: Minor, pieces: number): Minor {
  return pieces <= 0 ? 0 : first + (pieces - 1) * further;
}
