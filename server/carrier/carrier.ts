import { z } from 'zod';

import { CarrierRates } from '@/contract/carrier';

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

/** Who carries parcels. */
export interface Carrier {
  /** @throws CallFailed when it can't be asked, in words for a person */
  rates(): Promise<CarrierRates>;
}

export function carrier(config: { address: string; token: () => string }): Carrier {
  return {
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
