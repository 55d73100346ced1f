import { z } from 'zod';

import type { Change } from '@/contract/sync';
import type { Edited } from '@/core/sync/edits';
import { recordKey } from '@/core/sync/replica';

import type { SimAttic } from './attic';
import type { SimDevice } from './device';
import { bytesName } from './messages';
import type { Random } from '../random';

const WORDS = ['navy', 'wool', 'torn', 'blue', 'new', 'old'];

/** What an item has here that is looked into. */
const Made = z.object({
  facts: z.record(z.string(), z.string()),
  flaws: z.array(z.object({ id: z.string(), type: z.string() })),
  pictureIds: z.array(z.string()),
  groupIds: z.array(z.string()),
});

/** A new item, with its number. */
export function makeItem(device: SimDevice, id: string, random: Random): Change | null {
  const number = device.nextNumber();
  const item = {
    ...{ id, code: `YA-${number}`, number, title: random.one(WORDS), price: random.between(1, 9) },
    ...{ facts: { colour: random.one(WORDS) }, flaws: [], pictureIds: [], groupIds: [], updatedAt: 1 },
    written: { title: '', description: '' },
  };
  return device.do('makes an item', [{ collection: 'items', id, before: null, after: item }]);
}

/** Whatever a person may do, drawn. @returns null: there was nothing to do it with */
export function something(device: SimDevice, world: SimAttic): Change | null {
  const { random } = world;
  const dice = random.next();
  const id = random.pick(device.ids('items'));
  if (dice < 0.1 || id === undefined) return kept(device, makeItem(device, world.fresh(), random));
  if (dice < 0.5) return kept(device, edit(device, id, random));
  if (dice < 0.62) return kept(device, photograph(device, id, world));
  if (dice < 0.7) return kept(device, list(device, id, random));
  if (dice < 0.78) return kept(device, takeAway(device, id));
  if (dice < 0.86) return undo(device, world);
  return world.settle(device);
}

function kept(device: SimDevice, change: Change | null): Change | null {
  if (change) device.journal.push(change);
  return change;
}

function edit(device: SimDevice, id: string, random: Random): Change | null {
  const before = device.record('items', id);
  const after = { ...before, updatedAt: random.between(1, 1_000_000), ...fieldsOf(before, random) };
  return device.do('edits', [{ collection: 'items', id, before, after }]);
}

function fieldsOf(before: Record<string, unknown>, random: Random): Record<string, unknown> {
  const { facts, flaws, pictureIds, groupIds } = Made.parse(before);
  switch (random.between(0, 6)) {
    case 0:
      return { title: `${random.one(WORDS)} ${random.one(WORDS)}` };
    case 1:
      return { price: random.between(1, 9) };
    case 2:
      return { facts: { ...facts, [random.one(['brand', 'colour', 'size/EU'])]: random.one(WORDS) } };
    case 3:
      delete facts[random.one(Object.keys(facts).concat('colour'))];
      return { facts };
    case 4: {
      const flaw = random.pick(flaws);
      if (!flaw) return { flaws: [{ id: `f${random.between(1, 99)}`, type: random.one(WORDS) }] };
      if (random.chance(0.3)) return { flaws: flaws.filter((one) => one !== flaw) };
      return { flaws: flaws.map((one) => (one === flaw ? { ...one, type: random.one(WORDS) } : one)) };
    }
    case 5:
      return { pictureIds: pictureIds.slice(1).concat(pictureIds.slice(0, 1)) };
    default: {
      const group = random.one(['g1', 'g2', 'g3']);
      return {
        groupIds: groupIds.includes(group) ? groupIds.filter((g) => g !== group) : [...groupIds, group],
      };
    }
  }
}

function photograph(device: SimDevice, itemId: string, world: SimAttic): Change | null {
  const id = world.fresh();
  const before = device.record('items', itemId);
  const after = { ...before, pictureIds: [...Made.parse(before).pictureIds, id] };
  device.bytes.add(bytesName('small', id));
  device.bytes.add(bytesName('full', id));
  return device.do('photographs', [
    { collection: 'pictures', id, before: null, after: { id, itemId, shows: '' } },
    { collection: 'items', id: itemId, before, after },
  ]);
}

function list(device: SimDevice, itemId: string, random: Random): Change | null {
  const id = `${itemId}_${random.one(['moor', 'wick'])}`;
  const before = device.ids('plans').includes(id) ? device.record('plans', id) : null;
  const after = { id, itemId, wanted: random.chance(0.5), specifics: { a: random.one(WORDS) } };
  return device.do('lists', [{ collection: 'plans', id, before, after }]);
}

/** An item goes with its pictures and plans. */
function takeAway(device: SimDevice, id: string): Change | null {
  const of = (collection: string): Edited[] =>
    device
      .ids(collection)
      .map((one) => ({ collection, id: one, before: device.record(collection, one), after: null }))
      .filter(({ before }) => before.itemId === id);
  const item = { collection: 'items', id, before: device.record('items', id), after: null };
  return device.do('takes away', [item, ...of('pictures'), ...of('plans')]);
}

/** Takes its own newest change back; of what others wrote since nothing may go. */
function undo(device: SimDevice, world: SimAttic): Change | null {
  const done = device.journal.pop();
  if (!done) return null;
  const { inverse } = device.parts.behaviour;
  const records = done.records.flatMap((record) => {
    const { collection, id } = record;
    const key = recordKey(collection, id);
    return inverse(record, device.read(collection, id), device.replica.gone.get(key) ?? null) ?? [];
  });
  for (const { collection, id, writes } of records)
    for (const { path, was } of writes) {
      const own = done.records.find((one) => one.id === id && one.collection === collection);
      const put = own?.writes.find((one) => one.path === path)?.value;
      const now = path === '*' ? device.read(collection, id) !== null : device.read(collection, id)?.[path];
      if (path !== '*' && device.read(collection, id) && JSON.stringify(now) !== JSON.stringify(put))
        world.violations.push(
          `${device.id} took back what another wrote: ${collection} ${id} ${path} (${String(was)})`,
        );
    }
  return device.tell('takes back', { records });
}
