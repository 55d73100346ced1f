import type { Change, ReplicaId, Seen } from '@/contract/sync';
import type { Blocks } from '@/core/sync/numbers';

/** Small bytes go ahead of the record, the picture itself follows. */
export type Size = 'small' | 'full';

/** What a device tells the relay of itself, again and again. */
export interface State {
  type: 'state';
  from: ReplicaId;
  /** Counts up: what comes after a later one is old. */
  turn: number;
  seen: Seen;
  /** Whom it knows to take part. */
  members: ReplicaId[];
  /** Of whom it takes nothing any more. */
  refused: ReplicaId[];
  /** The highest running number it has, was given or heard of; how many blocks more it wants. */
  high: number;
  blocks: number;
  /** Which relay it believes to speak with; what was told by another is not that one's. */
  epoch: number;
  has: string[];
  keepsFull: boolean;
  /** Bytes that it wants. */
  lacks: string[];
}
export interface Push {
  type: 'push';
  from: ReplicaId;
  changes: Change[];
}
export interface Bytes {
  type: 'bytes';
  from: ReplicaId;
  /** `small p1`, `full p1` */
  names: string[];
}
export type ToRelay = State | Push | Bytes;

export type ToDevice =
  | { type: 'changes'; changes: Change[] }
  | {
      type: 'told';
      epoch: number;
      /** The last change of each that the relay has, or had. */
      last: Seen;
      seen: [ReplicaId, Seen][];
      high: number;
      bytes: string[];
      /** Bytes that somebody wants and the relay does not have. */
      wanted: string[];
    }
  | { type: 'blocks'; epoch: number; blocks: Blocks }
  | { type: 'bytes'; names: string[] }
  | { type: 'away' };

export const bytesName = (size: Size, picture: string) => `${size} ${picture}`;
export const isFull = (name: string) => name.startsWith(bytesName('full', ''));

/** As it arrives at the other end. */
export function asSent<T>(what: T): T {
  const copy: T = JSON.parse(JSON.stringify(what));
  return copy;
}
