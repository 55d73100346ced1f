import type { Candidate, Change, Dot, Path, RecordWrites, Write } from '@/contract/sync';

import { standing, withWritten } from './candidates';
import { bound, isTaken, learn, weigh } from './members';
import { THERE, type Registers } from './registers';
import { ofRecordKey, recordKey, type RecordKey, type Replica, type Shelf } from './replica';
import { byDot, covers, holds, seenBy } from './seen';

/** What is new of a change that a person makes here. */
export type Made = Omit<Change, 'by' | 'n' | 'seen'>;

/** A change that is made here, now: everything it writes takes the place of all that is there. */
export function make(replica: Replica, shelf: Shelf, made: Made): Change {
  const { id, seen } = replica;
  const records = made.records.map((record) => withinReach(shelf, made, record));
  const change: Change = { by: id, n: (seen[id] ?? 0) + 1, seen, ...made, records };
  put(replica, shelf, change);
  return change;
}

/**
 * What belongs to something that is gone here says nothing of that: some may still remember it, to others it
 * is nothing any more, and they would come to different ends.
 */
function withinReach(shelf: Shelf, made: Made, record: RecordWrites): RecordWrites {
  const { collection, id } = ofRecordKey(record.along);
  if (isTakenAway(record) || saysOf(made, record.along) || shelf.read(collection, id) !== null) return record;
  return { ...record, along: recordKey(record.collection, record.id) };
}

/**
 * Takes over a change from elsewhere, with all that waited for it. One that is here already changes nothing;
 * one that rests on what is not here yet waits.
 *
 * @returns those that are in the records now and were not before
 */
export function take(replica: Replica, shelf: Shelf, change: Change): Change[] {
  const { seen, waiting } = replica;
  if (holds(seen, change) || waiting.some((one) => one.by === change.by && one.n === change.n)) return [];
  replica.waiting.push(change);
  return takeWaiting(replica, shelf);
}

/** Takes over what waits, where what it waits for has come. */
export function takeWaiting(replica: Replica, shelf: Shelf): Change[] {
  const taken: Change[] = [];
  for (;;) {
    const at = replica.waiting.findIndex((one) => isReady(replica, one));
    const [change] = at < 0 ? [] : replica.waiting.splice(at, 1);
    if (!change) return taken;
    put(replica, shelf, change);
    taken.push(change);
  }
}

function isReady(replica: Replica, change: Change): boolean {
  const { seen } = replica;
  return change.n === (seen[change.by] ?? 0) + 1 && covers(seen, change.seen) && isTaken(replica, change);
}

function put(replica: Replica, shelf: Shelf, change: Change): void {
  const touched = new Set<RecordKey>();
  for (const record of change.records) {
    const key = recordKey(record.collection, record.id);
    writeRecord(replica, shelf, change, record);
    const owner = ownerToldOf(replica, shelf, change, record);
    for (const one of owner === null ? [key] : [key, owner])
      for (const other of [one, ...takenAlong(replica, one)]) touched.add(other);
  }
  for (const key of touched) place(replica, shelf, key);
  replica.seen = { ...replica.seen, [change.by]: change.n };
  const held = replica.held.get(change.by);
  if (held) held.push(change);
  else replica.held.set(change.by, [change]);
  bound(replica, change);
  learn(replica, change.by, seenBy(change));
  weigh(replica);
}

function writeRecord(replica: Replica, shelf: Shelf, change: Change, record: RecordWrites): void {
  const { collection, id, along } = record;
  const key = recordKey(collection, id);
  const open = replica.open.get(key) ?? new Map<Path, readonly Candidate[]>();
  replica.open.set(key, open);
  const present = shelf.read(collection, id);
  const values: Record<Path, unknown> = { ...(present ?? replica.gone.get(key)) };
  if (isAnew(record)) forget(replica, change, record, open, values);
  for (const write of record.writes) {
    const all = written(open.get(write.path) ?? null, change, toldBeside(replica, key, change, write), along);
    open.set(write.path, all);
    if (write.path === THERE) continue;
    hold(values, write.path, standing(collection, write.path, all));
  }
  if (!record.writes.some(({ path }) => path === THERE))
    open.set(THERE, stillThere(open.get(THERE) ?? [], change));
  for (const one of open.get(THERE) ?? [])
    if (one.along !== undefined) goesAlong(replica, one, one.along, key);
  if (present) shelf.write(collection, id, values);
  else replica.gone.set(key, values);
}

function hold(values: Record<Path, unknown>, path: Path, value: unknown): void {
  if (value === undefined) delete values[path];
  else values[path] = value;
}

/** Whether a device brings back what it found to be gone: all of it, as it is to be. */
function isAnew({ writes }: RecordWrites): boolean {
  return writes.some(({ path, value, beside }) => path === THERE && value === true && beside !== undefined);
}

/**
 * Whatever its author had seen of a record is as if it had never been: here it may still be remembered,
 * elsewhere it is forgotten already.
 */
function forget(
  replica: Replica,
  { by, n, seen }: Change,
  { collection, id, writes }: RecordWrites,
  open: Map<Path, readonly Candidate[]>,
  values: Record<Path, unknown>,
): void {
  const told = writes.find(({ path }) => path === THERE)?.beside ?? [];
  const isTold = (path: Path, one: Candidate) =>
    path === THERE && told.some((other) => byDot(one, other) === 0);
  for (const path of new Set([...open.keys(), ...Object.keys(values)])) {
    const kept = (open.get(path) ?? []).filter(
      (one) => isTold(path, one) || (one.n > 0 && !holds(seen, one)),
    );
    if (kept.length > 0) open.set(path, kept);
    else open.delete(path);
    hold(values, path, path === THERE ? undefined : standing(collection, path, kept));
  }
  const key = recordKey(collection, id);
  for (const keys of replica.along.values()) keys.delete(key);
  replica.anew.set(key, [...(replica.anew.get(key) ?? []), { by, n, seen }]);
}

/** What stands beside a value, but for what was there before somebody brought the record back whole. */
function toldBeside({ anew }: Replica, key: RecordKey, change: Change, write: Write): Write {
  const brought = (anew.get(key) ?? []).filter((one) => !holds(change.seen, one));
  if (brought.length === 0 || !write.beside || write.path === THERE) return write;
  const isBefore = (one: Dot) => one.n === 0 || brought.some(({ seen }) => holds(seen, one));
  return { ...write, beside: write.beside.filter((one) => !isBefore(one)) };
}

const isTakenAway = ({ writes }: RecordWrites) =>
  writes.some(({ path, value }) => path === THERE && value === false);

/** Whether a change says itself whether a record is there. */
function saysOf({ records }: Made, key: RecordKey): boolean {
  const about = records.find(({ collection, id }) => recordKey(collection, id) === key);
  return about?.writes.some(({ path }) => path === THERE) ?? false;
}

/**
 * What belongs to a record says that this one is there, too.
 *
 * @returns which; null: it says nothing of another
 */
function ownerToldOf(replica: Replica, shelf: Shelf, change: Change, record: RecordWrites): RecordKey | null {
  const { collection, id, along } = record;
  if (along === recordKey(collection, id) || isTakenAway(record) || saysOf(change, along)) return null;
  const owner = ofRecordKey(along);
  const open = replica.open.get(along);
  // Nobody ever heard of it.
  if (!open && shelf.read(owner.collection, owner.id) === null) return null;
  const registers = open ?? new Map<Path, readonly Candidate[]>();
  replica.open.set(along, registers.set(THERE, stillThere(registers.get(THERE) ?? [], change)));
  return along;
}

function written(now: readonly Candidate[] | null, change: Change, write: Write, along: string): Candidate[] {
  const { by, n, at, who, seen } = change;
  const { path, value, beside } = write;
  const candidate: Candidate = {
    ...{ by, n, at, who },
    ...(value === undefined ? {} : { value }),
    ...(path === THERE && value === false ? { along } : {}),
  };
  return withWritten(now, candidate, seen, beside);
}

/**
 * Whoever changes a record says that it is there. Where somebody took it away meanwhile, both stand, until a
 * person was asked.
 */
function stillThere(now: readonly Candidate[], { by, n, at, who, seen }: Change): Candidate[] {
  const away = now.filter(({ value }) => value === false);
  const there = now.filter(({ value }) => value !== false);
  return [...withWritten(there, { by, n, at, who, value: true }, seen), ...away].sort(byDot);
}

export const alongKey = ({ by, n }: { by: string; n: number }, along: string) => `${by} ${n} ${along}`;

function goesAlong({ along: all }: Replica, change: Dot, along: string, key: RecordKey): void {
  const name = alongKey(change, along);
  const keys = all.get(name) ?? new Set();
  all.set(name, keys.add(key));
}

/** Records that were taken away in one with this one, and of which nobody said otherwise since. */
export function takenAlong({ open, along }: Replica, key: RecordKey): RecordKey[] {
  const namesOf = (one: RecordKey) =>
    (open.get(one)?.get(THERE) ?? []).flatMap((said) =>
      said.along === undefined ? [] : [alongKey(said, said.along)],
    );
  return namesOf(key).flatMap((name) =>
    [...(along.get(name) ?? [])].filter((one) => namesOf(one).includes(name)),
  );
}

/** Whether somebody says that a record is there. */
function isSaidThere({ open }: Replica, key: RecordKey): boolean {
  return (open.get(key)?.get(THERE) ?? []).some(({ value }) => value === true);
}

/** Whether a record is shown; null: nothing was said about it lately, so it is as it is. */
export function isThere(replica: Replica, key: RecordKey): boolean | null {
  if (!replica.open.get(key)?.has(THERE)) return null;
  return isSaidThere(replica, key) || takenAlong(replica, key).some((one) => isSaidThere(replica, one));
}

/** Puts a record where it belongs: among the others, or among those that are gone. */
function place(replica: Replica, shelf: Shelf, key: RecordKey): void {
  const there = isThere(replica, key);
  const { collection, id } = ofRecordKey(key);
  const present: Registers | null = shelf.read(collection, id);
  if (there === true && present === null) {
    shelf.write(collection, id, replica.gone.get(key) ?? {});
    replica.gone.delete(key);
  } else if (there === false && present !== null) {
    replica.gone.set(key, present);
    shelf.write(collection, id, null);
  }
}
