import { dequal } from 'dequal';

import { fieldsOf } from '@/contract/fields';
import type { Candidate, Dot, Path, Seen } from '@/contract/sync';

import { isOtherOrder, mergedOrder } from './order';
import { asksNobody, namesOrder, THERE } from './registers';
import { byDot, holds } from './seen';
import { hashOf } from '../words/hash';

/**
 * What stands in a register once somebody wrote it who had seen so much.
 *
 * @param now null: what it holds is everybody's
 * @param beside what a device found there that had been away for too long, and puts its own beside; it takes
 * the place of nothing
 */
export function withWritten(
  now: readonly Candidate[] | null,
  written: Candidate,
  seen: Seen,
  beside?: readonly Candidate[],
): Candidate[] {
  const had = (one: Dot) => one.n === 0 || one.by === written.by || holds(seen, one);
  if (beside) {
    const others = summedUp(now ?? beside, beside, had).filter((one) => byDot(one, written) !== 0);
    return [...others, { ...written, late: true }].sort(byDot);
  }
  return [...(now ?? []).filter((one) => !had(one)), written].sort(byDot);
}

/**
 * What its author found already told as everybody's, here may still be told apart: here too it is from now
 * on what the author found.
 */
function summedUp(
  here: readonly Candidate[],
  found: readonly Candidate[],
  had: (one: Dot) => boolean,
): readonly Candidate[] {
  const everybodys = found.filter(({ n }) => n === 0);
  const isFound = (one: Dot) => one.n > 0 && found.some((other) => byDot(one, other) === 0);
  const apart = here.filter((one) => had(one) && !isFound(one));
  // Where nothing of it stands here, somebody wrote since who had seen it.
  if (apart.length === 0 || everybodys.length === 0) return here;
  return [...here.filter((one) => !apart.includes(one)), ...everybodys];
}

/** What came late first, then the later by its author's clock last; every device comes to the same. */
function byAge(a: Candidate, b: Candidate): number {
  return Number(b.late ?? false) - Number(a.late ?? false) || a.at - b.at || byDot(a, b);
}

/** Whether nobody said so, but the facts or a machine: a person's word stands above it. */
function isMachines(path: Path, value: unknown): boolean {
  const fields = fieldsOf(value);
  if (path === 'title' || path === 'description')
    return fields[`written/${path}`] === hashOf(String(fields[path]));
  return path === 'shows' && fields.showsBy !== 'person';
}

/** Those that a person is asked about, where there are several; a person's word stands above a machine's. */
function weighty(path: Path, all: readonly Candidate[]): readonly Candidate[] {
  const said = all.filter(({ value }) => !isMachines(path, value));
  return said.length > 0 ? said : all.slice(-1);
}

function isOrder(collection: string, path: Path, all: readonly Candidate[]): boolean {
  return namesOrder(collection, path) && all.every(({ value }) => Array.isArray(value));
}

/** What a register holds: the latest; of orders, all of them in one. */
export function standing(collection: string, path: Path, all: readonly Candidate[]): unknown {
  const aged = [...all].sort(byAge);
  // What is somewhere and gone elsewhere is there, until somebody has said.
  if (path === THERE) return aged.some(({ value }) => value === true);
  if (all.length > 1 && isOrder(collection, path, all)) {
    // Each is a list, as was just asked.
    const orders = aged.map(({ value }) => value as unknown[]);
    const keys = orders.flat().filter((key): key is string => typeof key === 'string');
    return mergedOrder(orders, new Set(keys));
  }
  return weighty(path, aged).at(-1)?.value;
}

/**
 * What people said of one register without having seen each other, and that can't both stand.
 *
 * @returns the latest of each, the latest first; empty where there is nothing to ask
 */
export function contested(collection: string, path: Path, all: readonly Candidate[]): Candidate[] {
  if (all.length < 2 || asksNobody(collection, path)) return [];
  const aged = [...all].sort(byAge);
  if (isOrder(collection, path, all)) {
    const isTold = aged.some((a) => aged.some((b) => isOtherOrder(list(a), list(b))));
    return isTold ? distinct([...aged].reverse()) : [];
  }
  const several = distinct([...weighty(path, aged)].reverse());
  return several.length > 1 ? several : [];
}

const list = ({ value }: Candidate): readonly unknown[] => (Array.isArray(value) ? value : []);

function distinct(all: readonly Candidate[]): Candidate[] {
  return all.filter((one, i) => all.findIndex(({ value }) => dequal(value, one.value)) === i);
}
