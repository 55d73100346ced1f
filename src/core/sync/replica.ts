import type { Candidate, Change, Dot, Path, ReplicaId, Seen } from '@/contract/sync';

import type { Registers } from './registers';

/** A record by its collection and id. */
export type RecordKey = string;

export function recordKey(collection: string, id: string): RecordKey {
  return `${collection} ${id}`;
}

export function ofRecordKey(key: RecordKey): { collection: string; id: string } {
  const at = key.indexOf(' ');
  return { collection: key.slice(0, at), id: key.slice(at + 1) };
}

/** Somebody who takes part. */
export interface Member {
  /** What it has seen for certain. */
  seen: Seen;
  /** What it is said to have seen; counts once everything in it has come here, too. */
  told: Seen;
  /** By which change it was sent away; null: it was not. */
  leaving: Dot | null;
}

/**
 * What one device knows besides the records themselves. Of most registers that is nothing: all devices have
 * them and nobody can still disagree.
 */
export interface Replica {
  readonly id: ReplicaId;
  /** Which changes are in its records. */
  seen: Seen;
  /** Of registers written lately: who gave them what. */
  readonly open: Map<RecordKey, Map<Path, readonly Candidate[]>>;
  /** What records held that are gone, as long as somebody may have changed them meanwhile. */
  readonly gone: Map<RecordKey, Registers>;
  /** Which records were taken away along with each other, by change and what they belong to. */
  readonly along: Map<string, Set<RecordKey>>;
  /** Records that somebody brought back whole: of each by which changes, and what those had seen. */
  readonly anew: Map<RecordKey, readonly (Dot & { seen: Seen })[]>;
  /** Changes that others may lack, in their order. */
  readonly held: Map<ReplicaId, Change[]>;
  /** Changes that came before what they rest on. */
  waiting: Change[];
  readonly members: Map<ReplicaId, Member>;
  /** Those who left: nothing of them is taken any more. */
  readonly former: Set<ReplicaId>;
}

/** A replica of an attic that no other device has yet. */
export function firstReplica(id: ReplicaId): Replica {
  return {
    id,
    seen: {},
    open: new Map(),
    gone: new Map(),
    along: new Map(),
    anew: new Map(),
    held: new Map(),
    waiting: [],
    members: new Map([[id, { seen: {}, told: {}, leaving: null }]]),
    former: new Set(),
  };
}

/** Where the records themselves are. */
export interface Shelf {
  /** Null: there is no such record. */
  read(collection: string, id: string): Registers | null;
  write(collection: string, id: string, registers: Registers | null): void;
}

/** A store of records and what is known of them. */
export interface Store {
  replica: Replica;
  shelf: Pick<Shelf, 'read'>;
  /** What there is in it. */
  keys: () => Iterable<RecordKey>;
}

export function readIn({ shelf }: Pick<Store, 'shelf'>, key: RecordKey): Registers | null {
  const { collection, id } = ofRecordKey(key);
  return shelf.read(collection, id);
}
