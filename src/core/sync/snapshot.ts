import type { Candidate, Change, Dot, Path, ReplicaId, Seen } from '@/contract/sync';

import { THERE, type Registers } from './registers';
import type { Member, RecordKey, Replica } from './replica';
import { alongKey } from './take';

/** A replica's own knowledge as it is stored and handed on, beside the records. */
export interface Snapshot {
  seen: Seen;
  members: [ReplicaId, Member][];
  former: ReplicaId[];
  open: [RecordKey, [Path, readonly Candidate[]][]][];
  gone: [RecordKey, Registers][];
  anew: [RecordKey, readonly (Dot & { seen: Seen })[]][];
  /** Whoever joins may be the only one left who has them. */
  held: [ReplicaId, readonly Change[]][];
}

export function snapshotOf({ seen, members, former, open, gone, anew, held }: Replica): Snapshot {
  return {
    seen,
    members: [...members],
    former: [...former],
    open: [...open].map(([key, registers]) => [key, [...registers]]),
    gone: [...gone],
    anew: [...anew],
    held: [...held],
  };
}

/** A replica that begins with what another knew; the records are beside. */
export function replicaFrom(snapshot: Snapshot, id: ReplicaId): Replica {
  const replica: Replica = {
    id,
    seen: snapshot.seen,
    members: new Map(snapshot.members),
    former: new Set(snapshot.former),
    open: new Map(snapshot.open.map(([key, registers]) => [key, new Map(registers)])),
    gone: new Map(snapshot.gone),
    along: new Map(),
    anew: new Map(snapshot.anew),
    held: new Map(snapshot.held.map(([by, changes]) => [by, [...changes]])),
    waiting: [],
  };
  for (const [key, registers] of replica.open)
    for (const candidate of registers.get(THERE) ?? []) {
      if (candidate.along === undefined) continue;
      const name = alongKey(candidate, candidate.along);
      replica.along.set(name, (replica.along.get(name) ?? new Set()).add(key));
    }
  return replica;
}
