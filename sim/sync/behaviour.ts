import { taken } from '@/core/sync/numbers';
import { settle } from '@/core/sync/settle';
import { snapshotOf } from '@/core/sync/snapshot';
import { take } from '@/core/sync/take';
import { inverse } from '@/core/sync/undo';

/** What a device does by the core. A broken one does one of these otherwise, and has to be found out. */
export interface Behaviour {
  take: typeof take;
  settle: typeof settle;
  inverse: typeof inverse;
  number: typeof taken;
  snapshot: typeof snapshotOf;
  /** Whether a picture's record goes out before its small bytes are at the relay. */
  recordsFirst: boolean;
  /** Whether bytes are dropped as soon as their record is taken away. */
  dropsAtOnce: boolean;
  /** Whether the relay drops what it handed on once. */
  relayDropsEarly: boolean;
  /** Whether a device that was sent away does again what it did unseen. */
  bringsBack: boolean;
}

export const SOUND: Behaviour = {
  take,
  settle,
  inverse,
  number: taken,
  snapshot: snapshotOf,
  recordsFirst: false,
  dropsAtOnce: false,
  relayDropsEarly: false,
  bringsBack: true,
};
