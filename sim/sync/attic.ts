import type { Change } from '@/contract/sync';

import type { SimDevice } from './device';
import type { Random } from '../random';

/** What happened, counted. */
export interface Figures {
  changes: number;
  asked: number;
  wiped: number;
  relaysWiped: number;
  brought: number;
}

export const noFigures = (): Figures => ({ changes: 0, asked: 0, wiped: 0, relaysWiped: 0, brought: 0 });

/** One attic on several devices, as people do things in it and as it is judged. */
export interface SimAttic {
  readonly random: Random;
  readonly devices: readonly SimDevice[];
  /** Every change that was ever made. */
  readonly made: readonly Change[];
  readonly violations: string[];
  /** Bytes of which every copy was destroyed with what it was on. */
  readonly destroyed: ReadonlySet<string>;
  /**
   * Small bytes that follow to whoever joined, or were at a relay that was wiped: until they are there, one
   * copy may be all there is.
   */
  readonly onTheirWay: ReadonlySet<string>;
  readonly figures: Figures;
  /** Whether the relay keeps these bytes: of pictures that nobody keeps it has the only copy. */
  isAtRelay: (name: string) => boolean;
  /** An id that nothing has yet. */
  fresh: () => string;
  /** A person settles one question that is open. */
  settle: (device: SimDevice) => Change | null;
}
