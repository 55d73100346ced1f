import { fieldsOf } from '@/contract/fields';
import type { Change, ReplicaId } from '@/contract/sync';
import { writesOf, type Edited } from '@/core/sync/edits';
import { hear, refused } from '@/core/sync/members';
import { highest, wanting, type Blocks } from '@/core/sync/numbers';
import { recordOf, THERE, type Registers } from '@/core/sync/registers';
import { brought, stillAsked } from '@/core/sync/rejoin';
import {
  firstReplica,
  ofRecordKey,
  recordKey,
  type Replica,
  type Shelf,
  type Store,
} from '@/core/sync/replica';
import { replicaFrom, type Snapshot } from '@/core/sync/snapshot';
import { make, takeWaiting } from '@/core/sync/take';

import type { Behaviour } from './behaviour';
import { asSent, bytesName, type Size, type ToDevice, type ToRelay } from './messages';

/** How many changes, or bytes, one message carries. */
const AT_ONCE = 5;
/** For how many turns bytes are kept that nothing names. */
const GRACE = 40;

export interface DeviceParts {
  name: string;
  /** Whether it keeps pictures themselves, or only small ones. */
  keepsFull: boolean;
  behaviour: Behaviour;
  chance: () => number;
  /** Its own clock, however wrong. */
  clock: () => number;
  /** Bytes of pictures that are gone for good. */
  onDropped: (names: readonly string[]) => void;
}

/** What a device is given that joins: all records, and what is known of them. */
export interface Handed {
  snapshot: Snapshot;
  records: [string, Registers][];
  high: number;
}

/** One device: its store of the attic, and what it says to the relay. */
export class SimDevice implements Shelf {
  replica: Replica;
  readonly records = new Map<string, Registers>();
  readonly bytes = new Set<string>();
  /** What it did itself and can take back. */
  readonly journal: Change[] = [];
  online = true;
  /** It was told that it is one of the attic's devices no more. */
  isAway = false;
  private blocks: Blocks = [];
  private lastBlock = 0;
  private heardHigh = 0;
  private epoch = 0;
  private turn = 0;
  /** Bytes of pictures that there are not, by when that was noticed. */
  private readonly spare = new Map<string, number>();
  /** What the relay has, as it said last. */
  private atRelay: {
    last: Record<ReplicaId, number>;
    bytes: ReadonlySet<string>;
    wanted: readonly string[];
  } = {
    last: {},
    bytes: new Set(),
    wanted: [],
  };

  constructor(
    readonly parts: DeviceParts,
    id: ReplicaId,
  ) {
    this.replica = firstReplica(id);
  }

  get id(): ReplicaId {
    return this.replica.id;
  }

  read(collection: string, id: string): Registers | null {
    return this.records.get(recordKey(collection, id)) ?? null;
  }

  write(collection: string, id: string, registers: Registers | null): void {
    if (registers) this.records.set(recordKey(collection, id), registers);
    else this.records.delete(recordKey(collection, id));
  }

  get store(): Store {
    return { replica: this.replica, shelf: this, keys: () => this.records.keys() };
  }

  /** Ids of the records of one collection, in their order. */
  ids(collection: string): string[] {
    return [...this.records.keys()]
      .flatMap((key) => (key.startsWith(`${collection} `) ? [ofRecordKey(key).id] : []))
      .sort();
  }

  record(collection: string, id: string): Record<string, unknown> {
    return recordOf(collection, this.read(collection, id) ?? {});
  }

  /** A person does something here. */
  do(label: string, edits: readonly Edited[]): Change | null {
    return this.tell(label, { records: edits.flatMap((edit) => writesOf(edit) ?? []) });
  }

  tell(label: string, more: Partial<Change>): Change | null {
    const { records = [], joins, leaves } = more;
    if (records.length === 0 && !joins && !leaves) return null;
    const about = { at: this.parts.clock(), who: this.parts.name, label, records };
    const change = make(this.replica, this, {
      ...about,
      ...(joins ? { joins } : {}),
      ...(leaves ? { leaves } : {}),
    });
    this.settle();
    return change;
  }

  /** The next running number. */
  nextNumber(): number {
    const used = new Set(this.numbers());
    const { number, blocks } = this.parts.behaviour.number(this.blocks, this.parts.chance, (one) =>
      used.has(one),
    );
    this.blocks = blocks;
    return number;
  }

  /** Numbers that the very first device begins with. */
  begin(blocks: Blocks): void {
    this.blocks = blocks;
    this.lastBlock = blocks.at(-1)?.to ?? 0;
  }

  settle(): void {
    this.parts.behaviour.settle(this.replica);
    const named = new Set([...this.ids('pictures'), ...this.gonePictures()]);
    const dropped = [...this.bytes].filter((name) => this.isNoMore(name, named));
    for (const name of dropped) this.bytes.delete(name);
    if (dropped.length > 0) this.parts.onDropped(dropped);
  }

  /** Whether nobody named it for a while: not at once, for others may still have its record. */
  private isNoMore(name: string, named: ReadonlySet<string>): boolean {
    if (named.has(name.slice(name.indexOf(' ') + 1))) {
      this.spare.delete(name);
      return false;
    }
    const since = this.spare.get(name) ?? this.turn;
    this.spare.set(name, since);
    return this.parts.behaviour.dropsAtOnce || this.turn - since > GRACE;
  }

  /** Whether it knows of the picture that the bytes are of. */
  names(bytes: string): boolean {
    const id = bytes.slice(bytes.indexOf(' ') + 1);
    return this.read('pictures', id) !== null || this.gonePictures().includes(id);
  }

  /** Pictures that were taken away and may come back. */
  gonePictures(): string[] {
    if (this.parts.behaviour.dropsAtOnce) return [];
    const gone = [...this.replica.gone.keys()].map(ofRecordKey);
    return gone.flatMap(({ collection, id }) => (collection === 'pictures' ? [id] : []));
  }

  hand(): Handed {
    return asSent({
      snapshot: this.parts.behaviour.snapshot(this.replica),
      records: [...this.records],
      high: this.high(),
    });
  }

  /** Begins with what another device has, and does again what it did itself and nobody took. */
  join(id: ReplicaId, { snapshot, records, high }: Handed): Change[] {
    const mine = new Map(this.records);
    const shelf = { read: (c: string, i: string) => mine.get(recordKey(c, i)) ?? null };
    const before = { replica: this.replica, shelf, keys: () => mine.keys() };
    this.replica = replicaFrom(snapshot, id);
    this.records.clear();
    for (const [key, registers] of records) this.records.set(key, registers);
    this.heardHigh = Math.max(this.heardHigh, high);
    this.isAway = false;
    this.journal.length = 0;
    this.atRelay = { last: {}, bytes: new Set(), wanted: [] };
    if (!this.parts.behaviour.bringsBack) return [];
    // Nobody shows it any more, and there is nothing here to show.
    const isLost = (id: string) =>
      this.read('pictures', id) === null && !this.bytes.has(bytesName('small', id));
    const told = [this.tell('brought', { records: brought(before, this.store, isLost) })];
    for (;;) {
      const records = stillAsked(before, this.store);
      if (records.length === 0) break;
      told.push(this.tell('asks again', { records }));
    }
    return told.flatMap((change) => change ?? []);
  }

  // ---- speaking with the relay --------------------------------------------------------------------

  /** All running numbers that are given. */
  private numbers(): number[] {
    return this.ids('items').map((id) => Number(fieldsOf(this.read('items', id)?.code).number));
  }

  private high(): number {
    return highest([...this.numbers(), this.lastBlock, this.heardHigh]);
  }

  /** Bytes that it wants: small ones of all pictures, and the pictures themselves where it keeps them. */
  lacks(): string[] {
    const sizes: Size[] = this.parts.keepsFull ? ['small', 'full'] : ['small'];
    const names = this.ids('pictures').flatMap((id) => sizes.map((size) => bytesName(size, id)));
    // Of those that may come back, too.
    const gone = this.gonePictures().map((id) => bytesName('small', id));
    return [...names, ...gone].filter((name) => !this.bytes.has(name));
  }

  /** What it says now: how it stands, and what the relay lacks of what it has. */
  speak(): ToRelay[] {
    const { replica, epoch, bytes } = this;
    const members = [...replica.members].flatMap(([id, { leaving }]) => (leaving ? [] : [id]));
    const { last, wanted } = this.atRelay;
    const said: ToRelay[] = [
      {
        ...{ type: 'state', from: this.id, turn: ++this.turn, seen: replica.seen, epoch },
        ...{ members, refused: refused(replica) },
        ...{ high: this.high(), blocks: wanting(this.blocks) },
        ...{ has: [...bytes], lacks: this.lacks(), keepsFull: this.parts.keepsFull },
      },
    ];
    for (const [by, changes] of replica.held) {
      const some = changes.filter(({ n }) => n > (last[by] ?? 0));
      const ready = this.parts.behaviour.recordsFirst ? some : this.withBytes(some);
      if (ready.length > 0) said.push({ type: 'push', from: this.id, changes: ready.slice(0, AT_ONCE) });
    }
    const names = [...new Set([...wanted, ...this.ahead()])].filter((name) => bytes.has(name));
    if (names.length > 0) said.push({ type: 'bytes', from: this.id, names: names.slice(0, AT_ONCE) });
    return said;
  }

  /** Whether the relay lacks changes of its own. */
  isBehind(): boolean {
    return (this.atRelay.last[this.id] ?? 0) < (this.replica.seen[this.id] ?? 0);
  }

  /** Changes up to the first that speaks of a picture whose small bytes are not at the relay yet. */
  private withBytes(changes: readonly Change[]): Change[] {
    const at = changes.findIndex((change) => picturesOf(change).some((id) => this.isToGoAhead(id)));
    return at < 0 ? [...changes] : changes.slice(0, at);
  }

  private isToGoAhead(id: string): boolean {
    const name = bytesName('small', id);
    return this.bytes.has(name) && !this.atRelay.bytes.has(name);
  }

  private ahead(): string[] {
    const ids = [...this.replica.held.values()].flat().flatMap(picturesOf);
    return ids.filter((id) => this.isToGoAhead(id)).map((id) => bytesName('small', id));
  }

  hear(message: ToDevice): void {
    switch (message.type) {
      case 'changes':
        for (const change of message.changes) this.parts.behaviour.take(this.replica, this, change);
        break;
      case 'told':
        if (message.epoch < this.epoch) return;
        this.epoch = message.epoch;
        this.heardHigh = Math.max(this.heardHigh, message.high);
        this.atRelay = { last: message.last, bytes: new Set(message.bytes), wanted: message.wanted };
        for (const [id, seen] of message.seen) hear(this.replica, id, seen);
        takeWaiting(this.replica, this);
        break;
      case 'blocks':
        if (message.epoch !== this.epoch) return;
        for (const block of message.blocks)
          if (block.from > this.lastBlock) {
            this.blocks = [...this.blocks, block];
            this.lastBlock = block.to;
          }
        break;
      case 'bytes':
        for (const name of message.names) this.bytes.add(name);
        break;
      case 'away':
        this.isAway = true;
    }
    this.settle();
  }
}

/** Pictures that a change tells of for the first time. */
function picturesOf(change: Change): string[] {
  return change.records.flatMap(({ collection, id, writes }) =>
    collection === 'pictures' && writes.some(({ path, value }) => path === THERE && value === true)
      ? [id]
      : [],
  );
}
