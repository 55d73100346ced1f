import type { Change, ReplicaId } from '@/contract/sync';
import { nextFor } from '@/core/sync/handOn';
import { given } from '@/core/sync/numbers';
import { common } from '@/core/sync/seen';

import { isFull, type State, type ToDevice, type ToRelay } from './messages';

/** How many changes, or bytes, one message carries. */
const AT_ONCE = 6;

/**
 * Hands on, and keeps what somebody still lacks; may be wiped at any moment. Whatever it does not know any
 * more, the devices' own state tells it again.
 */
export class SimRelay {
  private readonly known = new Map<ReplicaId, State>();
  private readonly changes = new Map<ReplicaId, Change[]>();
  /** The last change of each that it has, or had. */
  private readonly last = new Map<ReplicaId, number>();
  private readonly bytes = new Set<string>();
  private high = 0;

  /** @param dead those who were sent away: nobody lets them in again, whatever else is forgotten */
  constructor(
    readonly epoch: number,
    private readonly dead: Set<ReplicaId>,
    private readonly dropsEarly: boolean,
    private readonly onDropped: (names: readonly string[], known: ReadonlySet<ReplicaId>) => void,
  ) {}

  /** Nothing of it is taken any more. */
  sendAway(replica: ReplicaId): void {
    this.dead.add(replica);
    this.known.delete(replica);
    // What nobody took of it yet nobody will take any more.
    const taken = Math.max(0, ...[...this.known.values()].map(({ seen }) => seen[replica] ?? 0));
    const kept = (this.changes.get(replica) ?? []).filter(({ n }) => n <= taken);
    this.changes.set(replica, kept);
    this.last.set(replica, Math.min(this.last.get(replica) ?? 0, taken));
  }

  names(): string[] {
    return [...this.bytes];
  }

  holdsBytes(name: string): boolean {
    return this.bytes.has(name);
  }

  hear(message: ToRelay): ToDevice[] {
    if (this.dead.has(message.from)) return [{ type: 'away' }];
    if (message.type === 'state') return this.answer(message);
    if (message.type === 'push') this.takeIn(message.changes);
    else for (const name of message.names) this.bytes.add(name);
    return [];
  }

  private takeIn(changes: readonly Change[]): void {
    for (const change of changes) {
      const last = this.last.get(change.by);
      const isNext = last === undefined || change.n === last + 1;
      if (!isNext && !(change.n > last && this.areAllPast(change))) continue;
      this.last.set(change.by, change.n);
      this.changes.set(change.by, [...(this.changes.get(change.by) ?? []), change]);
    }
  }

  /** Whether everybody known has all before it. */
  private areAllPast({ by, n }: Change): boolean {
    return [...this.known.values()].every(({ seen }) => (seen[by] ?? 0) >= n - 1);
  }

  private answer(state: State): ToDevice[] {
    if ((this.known.get(state.from)?.turn ?? 0) > state.turn) return [];
    this.known.set(state.from, state);
    for (const [by, last] of this.last) {
      // Dropped while nobody was known who lacks it: whoever holds it is to bring it again.
      const first = this.changes.get(by)?.[0]?.n ?? last + 1;
      if ((state.seen[by] ?? 0) + 1 >= first) continue;
      this.changes.delete(by);
      this.last.set(by, state.seen[by] ?? 0);
    }
    const lacking = nextFor(state.seen, this.changes, AT_ONCE, new Set(state.refused));
    const names = state.lacks.filter((name) => this.bytes.has(name)).slice(0, AT_ONCE);
    const answers: ToDevice[] = [this.blocksFor(state), { type: 'changes', changes: lacking }];
    const withAll = this.withAll();
    this.drop(withAll);
    return [...answers, { type: 'bytes', names }, this.told(withAll)];
  }

  /** None is given while somebody may have been given one that is not known here. */
  private blocksFor(state: State): ToDevice {
    const known = [...this.known.values()].filter(({ epoch }) => epoch === this.epoch);
    const isAllHeard = known.includes(state) && this.areAllAmong(known);
    this.high = Math.max(this.high, ...known.map(({ high }) => high));
    const blocks = given(this.high, isAllHeard ? state.blocks : 0);
    this.high = blocks.at(-1)?.to ?? this.high;
    return { type: 'blocks', epoch: this.epoch, blocks };
  }

  private drop(withAll: ReadonlySet<string>): void {
    const known = [...this.known.values()];
    const all = this.dropsEarly ? {} : common(known.map(({ seen }) => seen));
    for (const [by, changes] of this.changes)
      this.changes.set(
        by,
        this.dropsEarly ? changes.slice(-1) : changes.filter(({ n }) => n > (all[by] ?? 0)),
      );
    const dropped = [...withAll].filter((name) => this.bytes.delete(name));
    if (dropped.length > 0) this.onDropped(dropped, new Set(this.known.keys()));
  }

  /** Whether everybody is among them whom one of them knows to take part. */
  private areAllAmong(known: readonly State[]): boolean {
    const heard = new Set(known.map(({ from }) => from));
    const all = known.flatMap(({ members }) => members);
    return all.every((one) => heard.has(one) || this.dead.has(one));
  }

  /** Bytes that everybody has who is to have them. */
  private withAll(): Set<string> {
    const known = [...this.known.values()];
    if (known.length < 2 || !this.areAllAmong(known)) return new Set();
    const all = known.map(({ has, keepsFull }) => ({ has: new Set(has), keepsFull }));
    const names = new Set(known.flatMap(({ has }) => has));
    for (const name of names)
      if (!all.every(({ has, keepsFull }) => has.has(name) || (isFull(name) && !keepsFull)))
        names.delete(name);
    return names;
  }

  private told(withAll: ReadonlySet<string>): ToDevice {
    const known = [...this.known.values()];
    return {
      type: 'told',
      epoch: this.epoch,
      last: Object.fromEntries(this.last),
      seen: known.map(({ from, seen }) => [from, seen]),
      high: this.high,
      // Whoever asks whether they are safe is told so of those, too, that everybody has.
      bytes: [...new Set([...this.bytes, ...withAll])],
      wanted: known.flatMap(({ lacks }) => lacks).filter((name) => !this.bytes.has(name)),
    };
  }
}
