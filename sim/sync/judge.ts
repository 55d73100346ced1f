import { dequal } from 'dequal';

import type { Change, Seen, Write } from '@/contract/sync';
import { questions } from '@/core/sync/questions';
import { THERE } from '@/core/sync/registers';
import { recordKey } from '@/core/sync/replica';

import type { SimAttic } from './attic';
import type { SimDevice } from './device';
import { bytesName, isFull } from './messages';

/** What one change says of one register, beside what its author had seen. */
interface Said {
  change: Change;
  write: Write;
}

/** Whether one had seen the other. Worked out from all changes there ever were, not as devices do. */
function hadSeen(later: Change, earlier: Change): boolean {
  return later.by === earlier.by ? later.n > earlier.n : (later.seen[earlier.by] ?? 0) >= earlier.n;
}

/** Finds whatever was promised and did not come about, once all have met. */
export function judge(world: SimAttic): void {
  const { devices, violations } = world;
  const [first, ...others] = devices;
  if (!first) return;
  for (const other of others) sameAs(first, other, violations);
  arrived(world, first);
  const here = world.made.filter(({ by, n }) => (first.replica.seen[by] ?? 0) >= n);
  nothingOverwritten(here, first, violations);
  numbersOnce(devices, violations);
  bytesThere(world);
  forgotten(devices, violations);
}

function sameAs(first: SimDevice, other: SimDevice, violations: string[]): void {
  const both = `${first.id} and ${other.id}`;
  if (!dequal(strip(first.replica.seen), strip(other.replica.seen)))
    violations.push(
      `${both} have not seen the same: ${JSON.stringify([first.replica.seen, other.replica.seen])}`,
    );
  const keys = new Set([...first.records.keys(), ...other.records.keys()]);
  for (const key of keys) {
    const [a, b] = [first.records.get(key), other.records.get(key)];
    if (!dequal(a, b))
      violations.push(`${both} differ in ${key}: ${JSON.stringify(a)} / ${JSON.stringify(b)}`);
  }
  if (!dequal(asked(first), asked(other)))
    violations.push(`${both} ask otherwise: ${JSON.stringify([asked(first), asked(other)])}`);
}

const strip = (seen: Seen) => Object.fromEntries(Object.entries(seen).filter(([, n]) => n > 0));

/** What is asked, by the values alone. */
function asked(device: SimDevice): Record<string, string[]> {
  return Object.fromEntries(
    questions(device.replica).map(({ collection, id, path, wanted }) => [
      `${collection} ${id} ${path}`,
      wanted.map(({ value }) => JSON.stringify(value) ?? 'none').sort(),
    ]),
  );
}

/** What somebody did who is still there has arrived; those who were sent away did it again. */
function arrived(world: SimAttic, first: SimDevice): void {
  for (const device of world.devices) {
    const own = world.made.filter(({ by }) => by === device.id).length;
    if ((first.replica.seen[device.id] ?? 0) < own)
      world.violations.push(`${first.id} lacks changes of ${device.id}`);
  }
}

/** Of each register those that nobody replaced who had seen them: they stand, or are asked about. */
function nothingOverwritten(here: readonly Change[], device: SimDevice, violations: string[]): void {
  const registers = new Map<string, Said[]>();
  for (const change of here)
    for (const { collection, id, writes } of change.records)
      for (const write of writes) {
        const name = `${collection} ${id} ${write.path}`;
        registers.set(name, [...(registers.get(name) ?? []), { change, write }]);
      }
  const asks = asked(device);
  for (const [name, all] of registers) {
    const [collection = '', id = '', path = ''] = name.split(' ');
    const now = device.read(collection, id);
    if (path === THERE) {
      judgeThere(here, all, { collection, id, isThere: now !== null, asks: name in asks }, violations);
      continue;
    }
    if (!now || path === 'updatedAt' || path === 'pictureIds' || path === 'groupIds' || path === 'flaws')
      continue;
    const isAnew = (registers.get(`${collection} ${id} ${THERE}`) ?? []).filter(({ write }) => write.beside);
    const away = (registers.get(`${collection} ${id} ${THERE}`) ?? []).filter(
      ({ write }) => write.value === false,
    );
    const last = all.filter(
      (one) =>
        !all.some((other) => !other.write.beside && other !== one && hadSeen(other.change, one.change)) &&
        // What was taken away with it before somebody brought it back is not theirs.
        !(isAnew.length > 0 && away.some(({ change }) => hadSeen(change, one.change))),
    );
    const wanted = [...new Set(last.map(({ write }) => JSON.stringify(write.value) ?? 'none'))];
    const stands = JSON.stringify(now[path]) ?? 'none';
    const told = [...(asks[name] ?? [stands])];
    for (const value of wanted)
      if (!told.includes(value) && value !== stands)
        violations.push(`${name}: ${value} was overwritten by ${stands}`);
    if (wanted.length > 1 && !asks[name]) violations.push(`${name}: ${wanted.join(' or ')} was not asked`);
  }
}

interface There {
  collection: string;
  id: string;
  isThere: boolean;
  asks: boolean;
}

/** Whether it stands beside what was found; what comes back to where nothing was stands alone. */
const standsBeside = ({ write }: Said) => (write.beside ?? []).length > 0;

/** What was changed by somebody who had not seen that it was taken away is there, and asked about. */
function judgeThere(
  here: readonly Change[],
  all: readonly Said[],
  { collection, id, isThere, asks }: There,
  violations: string[],
): void {
  const away = all.filter(
    ({ write, change }) =>
      write.value === false &&
      !write.beside &&
      !all.some(
        (other) => other.write.value === true && !standsBeside(other) && hadSeen(other.change, change),
      ),
  );
  const key = recordKey(collection, id);
  const touches = here.filter((change) =>
    change.records.some(
      (record) =>
        recordKey(record.collection, record.id) === key &&
        !record.writes.some(({ path, value }) => path === THERE && value === false),
    ),
  );
  const taken = all.filter(({ write }) => write.value === false && !write.beside);
  const unseen = touches.some((touch) => !taken.some(({ change }) => hadSeen(change, touch)));
  if (away.length > 0 && unseen && !isThere)
    violations.push(`${key} is gone, though somebody changed it meanwhile`);
  if (away.length === 0 && !isThere && all.some(({ write }) => write.value === true))
    violations.push(`${key} is gone, though nobody took it away`);
  if (away.length > 0 && unseen && isThere && !asks)
    violations.push(`${key} was taken away and changed, and nobody is asked`);
}

function numbersOnce(devices: readonly SimDevice[], violations: string[]): void {
  const [first] = devices;
  const numbers = new Map<unknown, string>();
  for (const id of first?.ids('items') ?? []) {
    const { number } = first?.record('items', id) ?? {};
    const other = numbers.get(number);
    if (other !== undefined) violations.push(`number ${String(number)} was given twice: ${other} and ${id}`);
    numbers.set(number, id);
  }
}

function bytesThere({ devices, destroyed, onTheirWay, isAtRelay, violations }: SimAttic): void {
  for (const device of devices)
    for (const name of device.lacks()) {
      if (destroyed.has(name) && (isFull(name) || onTheirWay.has(name))) continue;
      violations.push(`${device.id} never got ${name}`);
    }
  const [first] = devices;
  for (const id of first?.ids('pictures') ?? []) {
    const name = bytesName('full', id);
    if (!devices.some(({ bytes }) => bytes.has(name)) && !destroyed.has(name) && !isAtRelay(name))
      violations.push(`${name} is nowhere`);
  }
}

/** Once all have everything, only what is asked about is still remembered. */
function forgotten(devices: readonly SimDevice[], violations: string[]): void {
  for (const { id, replica } of devices) {
    if (replica.waiting.length > 0) violations.push(`${id} still waits for changes`);
    if (replica.held.size > 0) violations.push(`${id} still holds changes`);
  }
}
