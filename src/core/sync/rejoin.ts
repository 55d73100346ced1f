import { dequal } from 'dequal';

import type { Candidate, Change, Path, RecordWrites, Seen, Write } from '@/contract/sync';

import { belongingTo, ownerOf } from './edits';
import { questions } from './questions';
import { asksNobody, namesOrder, partsOf, THERE, writeOf, type Registers } from './registers';
import { ofRecordKey, readIn, recordKey, type RecordKey, type Store } from './replica';
import { byDot, holds } from './seen';
import { takenAlong } from './take';

/** What is nobody's: it stood there when a device came back. */
const nobodys = (value: unknown): Candidate => ({
  ...{ by: '', n: 0, at: 0, who: '' },
  ...(value === undefined ? {} : { value }),
});

/**
 * What a device did, or had of others, that all went on without: nobody waited for it any more. Each of its
 * registers takes the place of what the device had seen; where there is something else since, it stands
 * beside that.
 *
 * @param before the device's own store, as it was
 * @param found what it was given of the others'
 * @param isLost whether there is nothing left of a picture: its record does not come back
 */
export function brought(before: Store, found: Store, isLost: (pictureId: string) => boolean): RecordWrites[] {
  const lost = [...before.replica.held.values()]
    .flat()
    .filter((change) => !holds(found.replica.seen, change));
  lost.sort((a, b) => sizeOf(a.seen) - sizeOf(b.seen) || byDot(a, b));
  const records = folded(lost);
  if (isApart(before, found)) for (const key of before.keys()) addAll(records, key, before);
  for (const [key, { along }] of [...records])
    if (isToHaveOwner(key, along, before, found) && !records.has(along))
      records.set(along, { paths: new Map(), along });
  for (const [key, { paths }] of [...records])
    if (isBack(key, paths, before, found))
      for (const other of alongWith(key, before, found))
        if (!records.has(other)) records.set(other, { paths: new Map(), along: key });
  return [...records].flatMap(([key, { paths, along }]) => {
    const { collection, id } = ofRecordKey(key);
    if (collection === 'pictures' && readIn(found, key) === null && isLost(id))
      // Where it is remembered, it would come back along with what it belongs to.
      return found.replica.gone.has(key)
        ? [{ collection, id, writes: [{ path: THERE, value: false }], along }]
        : [];
    // It belongs to what is gone for all: it goes with it.
    if (isToHaveOwner(key, along, before, found) && readIn(before, along) === null) return [];
    const writes = broughtOne(key, paths, before, found).filter(({ path }) => !namesLost(path, isLost));
    return writes.length === 0 ? [] : [{ collection, id, writes, along }];
  });
}

/**
 * Whether the device has forgotten changes, as all had them that it knew of, which these don't have: they
 * were never of one attic, or no more since long. All it has is to be held beside what they have.
 */
function isApart({ replica: { seen, held } }: Store, found: Store): boolean {
  return Object.entries(seen).some(([by, n]) => {
    const lacking = n - (found.replica.seen[by] ?? 0);
    return (
      lacking > 0 &&
      (held.get(by) ?? []).filter((change) => !holds(found.replica.seen, change)).length < lacking
    );
  });
}

function addAll(records: ReturnType<typeof folded>, key: RecordKey, before: Store): void {
  const registers = readIn(before, key) ?? {};
  const record = records.get(key) ?? {
    paths: new Map(),
    along: ownerOf(ofRecordKey(key).collection, registers) ?? key,
  };
  records.set(key, record);
  for (const [path, value] of Object.entries(registers))
    if (!record.paths.has(path)) record.paths.set(path, { value });
}

/** Whether it says that a picture is among others of which nothing is left. */
function namesLost(path: Path, isLost: (pictureId: string) => boolean): boolean {
  const [field, id] = partsOf(path);
  return field === 'pictureIds' && id !== undefined && isLost(id);
}

/** Whether it is here, and what it belongs to is gone for those who were found. */
function isToHaveOwner(key: RecordKey, along: RecordKey, before: Store, found: Store): boolean {
  return along !== key && readIn(before, key) !== null && readIn(found, along) === null;
}

/** Whether it is there again for having been changed here: the others took it away. */
function isBack(key: RecordKey, paths: Folded, before: Store, found: Store): boolean {
  return readIn(before, key) !== null && readIn(found, key) === null && !isNewTo(found, key, paths);
}

/** What went with it, or belongs to it here: it comes back with it. */
function alongWith(key: RecordKey, before: Store, found: Store): RecordKey[] {
  return [...new Set([...belongingTo(key, before), ...takenAlong(found.replica, key)])].filter(
    (other) => readIn(found, other) === null,
  );
}

/** Whoever rests on another has seen more: in that order each comes after those it rests on. */
const sizeOf = (seen: Seen) => Object.values(seen).reduce((sum, n) => sum + n, 0);

/**
 * What a device had to ask and these never heard of, beside what it brought: of each question one value at a
 * time, until there are none.
 */
export function stillAsked(before: Store, found: Store): RecordWrites[] {
  return questions(before.replica).flatMap(({ collection, id, path, wanted }) => {
    const key = recordKey(collection, id);
    const theirs = readIn(found, key);
    // Orders of a list are one by now, and are brought as that.
    if (!theirs || path === THERE || namesOrder(collection, path)) return [];
    const open = found.replica.open.get(key)?.get(path) ?? [nobodys(theirs[path])];
    const isTold = (one: Candidate) => one.n === 0 || holds(found.replica.seen, one);
    const untold = wanted.find((one) => !isTold(one) && !open.some(({ value }) => dequal(value, one.value)));
    if (!untold) return [];
    const write = { ...writeOf(path, untold.value), beside: [...open] };
    return [{ collection, id, writes: [write], along: ownerOf(collection, theirs) ?? key }];
  });
}

type Folded = Map<Path, { was?: unknown; value?: unknown }>;

/** Of each register what it was before all of that, and what it is after. */
function folded(lost: readonly Change[]): Map<RecordKey, { paths: Folded; along: string }> {
  const all = new Map<RecordKey, { paths: Folded; along: string }>();
  for (const { collection, id, writes, along } of lost.flatMap(({ records }) => records)) {
    const record = all.get(recordKey(collection, id)) ?? { paths: new Map(), along };
    all.set(recordKey(collection, id), record);
    for (const { path, was, value } of writes)
      record.paths.set(path, { was: record.paths.has(path) ? record.paths.get(path)?.was : was, value });
  }
  return all;
}

function broughtOne(key: RecordKey, paths: Folded, before: Store, found: Store): Write[] {
  const { collection } = ofRecordKey(key);
  const [mine, theirs] = [readIn(before, key), readIn(found, key)];
  const open = found.replica.open.get(key);
  if (!mine) {
    // It went with what is back now.
    const gone = found.replica.gone.get(key);
    if (!theirs) return paths.size === 0 && gone ? createdAnew(gone, false, open?.get(THERE)) : [];
    const isAsItWas = dequal(before.replica.gone.get(key), theirs);
    const there = open?.get(THERE) ?? [nobodys(true)];
    return [{ path: THERE, value: false, was: true, ...(isAsItWas ? {} : { beside: [...there] }) }];
  }
  if (!theirs) return createdAnew(mine, isNewTo(found, key, paths), open?.get(THERE));
  return [...paths].flatMap(([path, { was }]): Write[] => {
    const [there, value] = [theirs[path], mine[path]];
    if (path === THERE || dequal(there, value)) return [];
    const plain = writeOf(path, value, was);
    if (dequal(there, was) || asksNobody(collection, path)) return [plain];
    return [{ ...plain, beside: [...(open?.get(path) ?? [nobodys(there)])] }];
  });
}

/** Whether it was made here, and they never heard of it or remember nothing of it. */
function isNewTo({ replica }: Store, key: RecordKey, paths: Folded): boolean {
  const made = paths.get(THERE);
  if (made?.value !== true || made.was !== undefined) return false;
  return !replica.gone.has(key) && !replica.open.get(key)?.has(THERE);
}

/**
 * All of a record that the others don't have: it is new to them, or they took it away meanwhile. Said whole
 * either way: some of them may remember what it once was.
 */
function createdAnew(mine: Registers, isNew: boolean, there: readonly Candidate[] | undefined): Write[] {
  const beside = there ?? (isNew ? [] : [nobodys(false)]);
  return [
    { path: THERE, value: true, ...(isNew ? {} : { was: false }), beside: [...beside] },
    ...Object.entries(mine).map(([path, value]) => ({ path, value })),
  ];
}
