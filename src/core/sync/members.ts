import type { Change, ReplicaId, Seen } from '@/contract/sync';

import type { Member, Replica } from './replica';
import { common, covers, holds, joined, seenBy } from './seen';

/** Somebody who takes part is known to have seen so much: a change of theirs says so. */
export function learn({ members }: Replica, who: ReplicaId, seen: Seen): void {
  const member = members.get(who);
  if (member) members.set(who, { ...member, seen: joined(member.seen, seen) });
}

/** Somebody is said to have seen so much; it counts once all of that has come here, too. */
export function hear(replica: Replica, who: ReplicaId, told: Seen): void {
  const member = replica.members.get(who);
  if (!member || who === replica.id) return;
  replica.members.set(who, { ...member, told: joined(member.told, told) });
  weigh(replica);
}

/** What was told counts where all of it is here: who joined by then is known here, too. */
export function weigh({ members, seen }: Replica): void {
  for (const [who, member] of members)
    if (covers(seen, member.told)) members.set(who, { ...member, seen: joined(member.seen, member.told) });
}

/** Joining and leaving, as a change tells it. */
export function bound({ members, former }: Replica, change: Change): void {
  const { by, n, joins = [], leaves = [] } = change;
  // Whoever joins begins with what the one has who let them in.
  const seen = seenBy(change);
  for (const who of joins) {
    const member = members.get(who);
    if (member) members.set(who, { ...member, seen: joined(member.seen, seen) });
    else if (!former.has(who)) members.set(who, { seen, told: {}, leaving: null });
  }
  for (const who of leaves) {
    // Whoever was let in by somebody of whom that is not known here leaves, too.
    const member = members.get(who) ?? { seen: {}, told: {}, leaving: null };
    if (!member.leaving && !former.has(who)) members.set(who, { ...member, leaving: { by, n } });
  }
}

/**
 * Whether a change of somebody is still taken: of one who was sent away only what somebody else has, who
 * took it before they knew.
 */
export function isTaken(replica: Replica, change: Change): boolean {
  if (replica.former.has(change.by)) return false;
  const member = replica.members.get(change.by);
  if (member && !member.leaving) return true;
  return lastOf(replica, change.by) >= change.n;
}

/** Of whom nothing more is taken, as far as is known here: whoever hands on need not hand that on. */
export function refused(replica: Replica): ReplicaId[] {
  const { members, former, seen } = replica;
  const left = [...members].filter(
    ([who, { leaving }]) => leaving && lastOf(replica, who) <= (seen[who] ?? 0),
  );
  return [...former, ...left.map(([who]) => who)];
}

/**
 * Whether a change can never be taken any more: it rests on what nobody took of somebody who was sent away.
 */
export function isVoid({ former, seen }: Replica, change: Change): boolean {
  if (former.has(change.by)) return true;
  return Object.entries(change.seen).some(([who, n]) => former.has(who) && (seen[who] ?? 0) < n);
}

/** The last change of somebody that anybody else has, as far as is known here. */
function lastOf(replica: Replica, who: ReplicaId): number {
  return lastAmong(
    [...replica.members].filter(([, { leaving }]) => !leaving),
    replica,
    who,
  );
}

function lastAmong(all: readonly (readonly [ReplicaId, Member])[], { id }: Replica, who: ReplicaId): number {
  const others = all.filter(([other]) => other !== who && other !== id);
  return Math.max(0, ...others.map(([, { seen, told }]) => Math.max(seen[who] ?? 0, told[who] ?? 0)));
}

/** What everybody has seen who takes part. */
export function stable(replica: Replica): Seen {
  const { members, id, seen } = replica;
  return common([...members].map(([who, member]) => (who === id ? seen : member.seen)));
}

/** Those who left are forgotten once everybody knows it, and has all that anybody took of them. */
export function forgetLeft(replica: Replica): void {
  const { members, former, id, seen } = replica;
  const seenOf = ([who, member]: readonly [ReplicaId, Member]) => (who === id ? seen : member.seen);
  const stay = [...members].filter(([, { leaving }]) => !leaving);
  const isKnownToLeave = ({ leaving }: Member) => leaving && stay.every((one) => holds(seenOf(one), leaving));
  // Whoever does not know that one left may still take over from them what another has who left before.
  const mayHand = [...members].filter(([, member]) => !isKnownToLeave(member));
  for (const [who, { leaving }] of members) {
    if (!leaving || who === id) continue;
    const others = mayHand.filter(([other]) => other !== who);
    if (!others.every((one) => holds(seenOf(one), leaving))) continue;
    if ((seen[who] ?? 0) < lastAmong(others, replica, who)) continue;
    members.delete(who);
    former.add(who);
  }
}
