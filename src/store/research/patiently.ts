import { CourierTrouble } from '@/store/courier/courierLink';

/** Waits between tries when a look-up asks us to slow down, milliseconds. */
const WAITS = [1_000, 2_000, 4_000, 8_000];

/** Asks, and where the answer is "slow down" asks again a few times. @throws CourierTrouble */
export async function patiently<T>(asking: () => Promise<T>): Promise<T> {
  for (let tries = 0; ; tries += 1)
    try {
      return await asking();
    } catch (error) {
      const wait = WAITS[tries];
      if (!(error instanceof CourierTrouble) || error.status !== 429 || wait === undefined) throw error;
      await new Promise((done) => setTimeout(done, wait));
    }
}
