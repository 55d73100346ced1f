import { dequal } from 'dequal';

import { fieldsOf, isFields, type Fields } from '@/contract/fields';
import type { Path, Write } from '@/contract/sync';

import { mergedOrder } from './order';
import { SHAPES, TOGETHER, type Shape, type Synced } from './shapes';
import { hashOf } from '../words/hash';

/**
 * A record's registers by their paths. A path is a field, or a field and what is in it: `price`,
 * `facts/brand`, `pictureIds/0000a1-x`. Parts of it have `%` and `/` written as `%25` and `%2F`.
 */
export type Registers = Readonly<Record<Path, unknown>>;

/** Whether the record is there at all. */
export const THERE = '*';

const WHOLE: Shape = { as: 'whole' };

function shapeOf(collection: string, field: string): Shape {
  // Collections that are not known here have no shapes.
  const shapes = SHAPES[collection as Synced];
  return (shapes && Object.hasOwn(shapes, field) ? shapes[field] : null) ?? WHOLE;
}

/** Whether a register is the order of a list. */
export function namesOrder(collection: string, path: Path): boolean {
  const [field = '', ...below] = partsOf(path);
  return below.length === 0 && shapeOf(collection, field).as === 'list';
}

/** Whether it is nobody's word: of two that were written unseen nobody is asked. */
export function asksNobody(collection: string, path: Path): boolean {
  const [field = ''] = partsOf(path);
  const { as } = shapeOf(collection, field);
  return as === 'latest' || as === 'log';
}

const coded = (part: string) => part.replace(/[%/]/gu, (sign) => (sign === '/' ? '%2F' : '%25'));
const read = (part: string) => part.replace(/%2F|%25/gu, (code) => (code === '%2F' ? '/' : '%'));

export function pathOf(...parts: readonly string[]): Path {
  return parts.map(coded).join('/');
}

export function partsOf(path: Path): string[] {
  return path.split('/').map(read);
}

/** All registers of a record. @throws never; what does not look as its shape says is one register */
export function registersOf(collection: string, record: object): Registers {
  const all: Record<Path, unknown> = {};
  for (const [field, value] of Object.entries(record))
    if (value !== undefined) addField(all, field, value, shapeOf(collection, field));
  return together(collection, all);
}

function addField(all: Record<Path, unknown>, field: string, value: unknown, shape: Shape): void {
  if (shape.as === 'entries' && isFields(value)) {
    for (const [name, one] of Object.entries(value)) all[pathOf(field, name)] = one;
  } else if (shape.as === 'deep' && isFields(value)) {
    for (const [name, inner] of Object.entries(value)) {
      const entries = Object.entries(fieldsOf(inner));
      for (const [below, one] of entries) all[pathOf(field, name, below)] = one;
      // That there is a place for them, where there are none.
      if (entries.length === 0) all[pathOf(field, name)] = {};
    }
  } else if (shape.as === 'list' && Array.isArray(value)) {
    const keyed = keysOf(value, shape.by);
    all[field] = keyed.map(([key]) => key);
    for (const [key, one] of keyed) all[pathOf(field, key)] = one;
  } else if (shape.as === 'log' && Array.isArray(value)) {
    for (const line of value) all[pathOf(field, lineKey(line))] = line;
  } else all[pathOf(field)] = value;
}

/** Two lines of one moment hardly ever are the same, and where they are, one is enough. */
const lineKey = (line: unknown) => `${String(fieldsOf(line).at)} ${hashOf(JSON.stringify(line))}`;

/** What each of several is known by; of two that are known by the same, the second has a number, too. */
function keysOf(list: readonly unknown[], by: string | null): [string, unknown][] {
  const times = new Map<string, number>();
  return list.map((one) => {
    const name = String(by === null ? one : fieldsOf(one)[by]);
    const time = (times.get(name) ?? 0) + 1;
    times.set(name, time);
    return [time === 1 ? name : `${name}~${time}`, one];
  });
}

// Collections that are not known here have none.
const groupsOf = (collection: string) => TOGETHER[collection as Synced] ?? [];

function together(collection: string, all: Record<Path, unknown>): Registers {
  for (const [first = '', ...rest] of groupsOf(collection)) {
    const group = [first, ...rest].filter((path) => Object.hasOwn(all, path));
    if (group.length === 0) continue;
    const value = Object.fromEntries(group.map((path) => [path, all[path]]));
    for (const path of group) delete all[path];
    all[first] = value;
  }
  return all;
}

function apart(collection: string, registers: Registers): Registers {
  const all: Record<Path, unknown> = { ...registers };
  for (const [first = ''] of groupsOf(collection)) {
    const value = all[first];
    if (value === undefined) continue;
    delete all[first];
    Object.assign(all, fieldsOf(value));
  }
  return all;
}

/** The record that has these registers: what {@link registersOf} made them of. */
export function recordOf(collection: string, registers: Registers): Fields {
  const fields = new Map<string, [string[], unknown][]>();
  for (const [path, value] of Object.entries(apart(collection, registers))) {
    const [field = '', ...below] = partsOf(path);
    if (value === undefined || path === THERE) continue;
    const some = fields.get(field) ?? [];
    some.push([below, value]);
    fields.set(field, some);
  }
  const record: Fields = {};
  for (const [field, some] of fields) record[field] = fieldOf(some, shapeOf(collection, field));
  // Where all entries are gone, the field is still there, with none.
  for (const [field, shape] of Object.entries(SHAPES[collection as Synced] ?? {}))
    if (!fields.has(field) && (shape.as === 'entries' || shape.as === 'deep')) record[field] = {};
    else if (!fields.has(field) && shape.as === 'log') record[field] = [];
  return record;
}

function fieldOf(some: readonly [string[], unknown][], shape: Shape): unknown {
  const whole = some.find(([below]) => below.length === 0);
  const parts = some.filter(([below]) => below.length > 0);
  switch (shape.as) {
    case 'entries':
      return whole ? whole[1] : Object.fromEntries(parts.map(([[name = ''], value]) => [name, value]));
    case 'deep': {
      if (whole) return whole[1];
      const all = new Map<string, [string, unknown][]>();
      for (const [[name = '', below], value] of parts) {
        const inner = all.get(name) ?? [];
        if (below !== undefined) inner.push([below, value]);
        all.set(name, inner);
      }
      return Object.fromEntries([...all].map(([name, inner]) => [name, Object.fromEntries(inner)]));
    }
    case 'log':
      return whole ? whole[1] : parts.map(([, value]) => value).sort(byTime);
    case 'list': {
      const order: unknown = whole ? whole[1] : [];
      if (!Array.isArray(order)) return order;
      const there = new Map(parts.map(([[key = ''], value]) => [key, value]));
      return mergedOrder([order], new Set(there.keys())).map((key) => there.get(key));
    }
    default:
      return whole?.[1];
  }
}

function byTime(a: unknown, b: unknown): number {
  const [one, other] = [Number(fieldsOf(a).at ?? 0), Number(fieldsOf(b).at ?? 0)];
  const [text, otherText] = [JSON.stringify(a), JSON.stringify(b)];
  return one - other || (text < otherText ? -1 : text > otherText ? 1 : 0);
}

/** What is written of a register. @param value undefined: what was there is gone */
export function writeOf(path: Path, value: unknown, was?: unknown): Write {
  return { path, ...(value === undefined ? {} : { value }), ...(was === undefined ? {} : { was }) };
}

/** What has to be written so that the one becomes the other. */
export function writesBetween(before: Registers, after: Registers): Write[] {
  const writes: Write[] = [];
  for (const path of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, value] = [before[path], after[path]];
    if (dequal(was, value)) continue;
    writes.push(writeOf(path, value, was));
  }
  return writes;
}
