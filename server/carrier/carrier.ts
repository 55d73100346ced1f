import { z } from 'zod';

import { CarrierRates } from '@/contract/carrier';
import type { LabelWish, ParcelLabel, ParcelTracking } from '@/contract/fulfilment';

import { Refused } from '../courier/adapter';
import { call, readAs } from '../courier/call';

/** A tariff as the carrier publishes it: steps of grams and cents. */
const Tariff = z.object({
  valid: z.string().max(40),
  room: z.number().int().positive().nullable(),
  limits: z.object({ longestMm: z.number().int().positive(), lengthAndGirthMm: z.number().int().positive() }),
  destinations: z
    .array(
      z.object({
        id: z.string().min(1).max(40),
        name: z.string().min(1).max(80),
        steps: z
          .array(z.tuple([z.number().int().positive(), z.number().int().nonnegative()]))
          .min(1)
          .max(60),
      }),
    )
    .min(1)
    .max(20),
});

/**
 * Who carries parcels. Sizes in millimetres, weights in grams, amounts in minor units.
 *
 * @example
 *   const { tracking } = await post.label(wish); // the same key in it again gives the same label
 */
export interface Carrier {
  /** @throws CallFailed when it can't be asked, in words for a person */
  rates(): Promise<CarrierRates>;
  /** Buys a label. The same key again gives the same one. @throws CallFailed, Refused */
  label(wish: LabelWish): Promise<ParcelLabel>;
  /** It was handed in. */
  handed(tracking: string): Promise<ParcelTracking>;
  where(tracking: string): Promise<ParcelTracking>;
}

const NAME = 'Pennant Post';
const LabelMade = z.object({
  number: z.string().min(1).max(40),
  cents: z.number().int().nonnegative(),
  label: z.string().max(400_000),
});
const Where = z.object({
  number: z.string().max(40),
  state: z.enum(['announced', 'on its way', 'delivered']),
  at: z.number().int().nonnegative().nullable(),
});
const Objection = z.object({ message: z.string().max(500) });

export function carrier(config: { address: string; token: () => string }): Carrier {
  const parcel = async (path: string, method: 'GET' | 'POST'): Promise<ParcelTracking> => {
    const { status, body } = await call(`${config.address}/post/parcels/${path}`, {
      method,
      token: config.token(),
      expected: [200, 404],
    });
    if (status === 404) throw new Refused([{ field: '', message: readAs(Objection, body).message }]);
    const { number, state, at } = readAs(Where, body);
    return { tracking: number, state: state === 'on its way' ? 'onItsWay' : state, at };
  };
  return {
    handed: (tracking) => parcel(`${tracking}/handed`, 'POST'),
    where: (tracking) => parcel(tracking, 'GET'),
    async label({ key, weightG, sidesMm, to, from }) {
      const { status, body } = await call(`${config.address}/post/labels`, {
        method: 'POST',
        token: config.token(),
        expected: [200, 201, 422],
        headers: { 'content-type': 'application/json', 'idempotency-key': key },
        body: JSON.stringify({
          grams: weightG,
          sides: sidesMm,
          destination: to.zone,
          to: { name: to.name, lines: to.lines },
          from,
        }),
      });
      if (status === 422) throw new Refused([{ field: '', message: readAs(Objection, body).message }]);
      const { number, cents, label } = readAs(LabelMade, body);
      return { carrier: NAME, tracking: number, cost: cents, pdf: label };
    },
    async rates() {
      const { body } = await call(`${config.address}/post/tariff`, {
        token: config.token(),
        expected: [200],
      });
      const { room, limits, destinations, valid } = readAs(Tariff, body);
      return CarrierRates.parse({
        valid,
        divisor: room,
        maxLongest: limits.longestMm,
        maxGirth: limits.lengthAndGirthMm,
        zones: destinations.map(({ id, name, steps }) => ({
          id,
          name,
          bands: [...steps].sort((a, b) => a[0] - b[0]).map(([upToG, price]) => ({ upToG, price })),
        })),
      });
    },
  };
}
