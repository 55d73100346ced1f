import type { Change, RecordWrites } from '@/contract/sync';

import { writesOf, type Edited } from './edits';
import { nextFor } from './handOn';
import { hear, refused } from './members';
import { questions, settled } from './questions';
import { recordOf, type Registers } from './registers';
import { brought } from './rejoin';
import { firstReplica, recordKey, type Replica, type Shelf, type Store } from './replica';
import { settle } from './settle';
import { replicaFrom, snapshotOf } from './snapshot';
import { make, take } from './take';
import { inverse } from './undo';
import { hashOf } from '../words/hash';

/** One device, without anything between it and the others. */
class Device implements Shelf {
  records = new Map<string, Registers>();
  constructor(
    public replica: Replica,
    readonly who: string,
  ) {}
  read = (collection: string, id: string) => this.records.get(recordKey(collection, id)) ?? null;
  write = (collection: string, id: string, registers: Registers | null) => {
    if (registers) this.records.set(recordKey(collection, id), registers);
    else this.records.delete(recordKey(collection, id));
  };
  record = (collection: string, id: string) => recordOf(collection, this.read(collection, id) ?? {});
  tell(records: RecordWrites[], more: Partial<Change> = {}): Change {
    const { id, seen } = this.replica;
    const at = 1_000 * ((seen[id] ?? 0) + 1);
    return make(this.replica, this, { at, who: this.who, label: 'edits', records, ...more });
  }
  edit(collection: string, id: string, after: object | null): Change {
    const before = this.read(collection, id) ? this.record(collection, id) : null;
    const edited: Edited = { collection, id, before, after: after && { ...before, ...after } };
    return this.tell([writesOf(edited)].flatMap((one) => one ?? []));
  }
  take = (...changes: Change[]) => changes.flatMap((change) => take(this.replica, this, change));
  join(id: string, who: string): Device {
    this.tell([], { joins: [id] });
    const other = new Device(replicaFrom(JSON.parse(JSON.stringify(snapshotOf(this.replica))), id), who);
    other.records = new Map(this.records);
    return other;
  }
  get store(): Store {
    return { replica: this.replica, shelf: this, keys: () => this.records.keys() };
  }
  asks = () =>
    questions(this.replica).map(({ id, path, wanted }) => [id, path, wanted.map(({ value }) => value)]);
}

const jumper = { id: 'j', title: 'Jumper', price: 10, facts: { colour: 'blue' }, pictureIds: ['p'] };

let desk: Device;
let phone: Device;
beforeEach(() => {
  desk = new Device(firstReplica('desk000'), 'Ada');
  desk.edit('items', 'j', jumper);
  desk.edit('pictures', 'p', { id: 'p', itemId: 'j' });
  phone = desk.join('phone00', 'Ben');
});

const both = (a: Change, b: Change) => {
  desk.take(b);
  phone.take(a);
};
const away = (device: Device) =>
  device.tell(
    [
      { collection: 'items', id: 'j', before: jumper, after: null },
      { collection: 'pictures', id: 'p', before: { id: 'p', itemId: 'j' }, after: null },
    ].flatMap((one) => writesOf(one) ?? []),
  );

it('two who change different fields unseen have both', () => {
  both(desk.edit('items', 'j', { price: 12 }), phone.edit('items', 'j', { facts: { colour: 'navy' } }));
  for (const device of [desk, phone]) {
    expect(device.record('items', 'j')).toMatchObject({ price: 12, facts: { colour: 'navy' } });
    expect(device.asks()).toEqual([]);
  }
});

it('two who change the same unseen are asked, with both values, and one answer settles it on both', () => {
  both(desk.edit('items', 'j', { price: 12 }), phone.edit('items', 'j', { price: 15 }));
  expect(phone.record('items', 'j')).toEqual(desk.record('items', 'j'));
  for (const device of [desk, phone])
    expect(device.asks()).toEqual([['j', 'price', expect.arrayContaining([12, 15])]]);
  const [question] = questions(phone.replica);
  if (!question) throw new Error('nothing is asked');
  expect(question.wanted.map(({ who }) => who).sort()).toEqual(['Ada', 'Ben']);
  desk.take(phone.tell(settled(phone.store, question, 12)));
  for (const device of [desk, phone]) {
    expect(device.record('items', 'j').price).toBe(12);
    expect(device.asks()).toEqual([]);
  }
});

it('a change that comes twice, or before what it rests on, comes to the same', () => {
  const first = phone.edit('items', 'j', { price: 12 });
  const second = phone.edit('items', 'j', { price: 13 });
  expect(desk.take(second)).toEqual([]);
  expect(desk.record('items', 'j').price).toBe(10);
  expect(desk.take(first)).toEqual([first, second]);
  expect(desk.take(second, first)).toEqual([]);
  expect(desk.record('items', 'j').price).toBe(13);
});

it('what the facts wrote yields to what a person wrote, and nobody is asked', () => {
  const [said, facts] = ['Blue jumper of wool', 'Jumper, blue'];
  const change = desk.edit('items', 'j', { title: said });
  phone.edit('items', 'j', { price: 11 });
  // By its clock it came later.
  both(
    change,
    phone.edit('items', 'j', { title: facts, written: { title: hashOf(facts), description: '' } }),
  );
  for (const device of [desk, phone]) {
    expect(device.record('items', 'j').title).toBe(said);
    expect(device.asks()).toEqual([]);
  }
});

it('an item that one takes away and another changes is there, with its picture, until one was asked', () => {
  both(away(desk), phone.edit('items', 'j', { price: 12 }));
  for (const device of [desk, phone]) {
    expect(device.record('items', 'j').price).toBe(12);
    expect(device.read('pictures', 'p')).not.toBeNull();
    expect(device.asks()).toEqual([['j', '*', expect.arrayContaining([true, false])]]);
  }
  const [question] = questions(desk.replica);
  if (!question) throw new Error('nothing is asked');
  phone.take(desk.tell(settled(desk.store, question, false)));
  for (const device of [desk, phone]) expect(device.records.size).toBe(0);
});

it('settling that an item is gone takes along what came to it since', () => {
  both(away(desk), phone.edit('pictures', 'q', { id: 'q', itemId: 'j' }));
  const [question] = questions(desk.replica);
  if (!question) throw new Error('nothing is asked');
  phone.take(desk.tell(settled(desk.store, question, false)));
  for (const device of [desk, phone]) expect([...device.records.keys()]).toEqual([]);
});

it('what comes to an item that is gone here does not bring it back elsewhere', () => {
  phone.take(away(desk));
  const late = desk.tell(
    [writesOf({ collection: 'pictures', id: 'q', before: null, after: { id: 'q', itemId: 'j' } })].flatMap(
      (one) => one ?? [],
    ),
  );
  phone.take(late);
  for (const device of [desk, phone]) expect([...device.records.keys()]).toEqual(['pictures q']);
});

it('changing what belongs to an item says that the item is there', () => {
  both(away(desk), phone.edit('pictures', 'p', { shows: 'label' }));
  for (const device of [desk, phone])
    expect([...device.records.keys()].sort()).toEqual(['items j', 'pictures p']);
});

it('undo takes back one’s own only where it still stands', () => {
  const own = phone.edit('items', 'j', { price: 12, facts: { colour: 'navy' } });
  desk.take(own);
  phone.take(desk.edit('items', 'j', { price: 15 }));
  const [done] = own.records;
  const back = done && inverse(done, phone.read('items', 'j'), null);
  if (!back) throw new Error('there is nothing to take back');
  desk.take(phone.tell([back]));
  expect(desk.record('items', 'j')).toMatchObject({ price: 15, facts: { colour: 'blue' } });
});

it('nothing is remembered of what all have seen, and nothing forgotten before', () => {
  const change = desk.edit('items', 'j', { price: 12 });
  settle(desk.replica);
  expect(desk.replica.held.get('desk000')).toContain(change);
  phone.take(change);
  hear(desk.replica, 'phone00', phone.replica.seen);
  settle(desk.replica);
  expect([desk.replica.held.size, desk.replica.open.size]).toEqual([0, 0]);
});

it('of somebody who was sent away only what another took counts', () => {
  const taken = phone.edit('items', 'j', { price: 12 });
  desk.take(taken);
  const late = phone.edit('items', 'j', { price: 15 });
  desk.tell([], { leaves: ['phone00'] });
  settle(desk.replica);
  expect(refused(desk.replica)).toEqual(['phone00']);
  expect(desk.take(late)).toEqual([]);
  settle(desk.replica);
  expect(desk.record('items', 'j').price).toBe(12);
  expect(desk.replica.waiting).toEqual([]);
});

describe('who comes back after having been sent away', () => {
  const comeBack = (id = 'phone01') => {
    const back = desk.join(id, 'Ben');
    const records = brought(phone.store, back.store, () => false);
    desk.take(back.tell(records));
    return back;
  };
  const sendAway = () => {
    desk.tell([], { leaves: ['phone00'] });
    settle(desk.replica);
  };

  it('brings what it did meanwhile', () => {
    phone.edit('items', 'j', { price: 15 });
    sendAway();
    const back = comeBack();
    for (const device of [desk, back]) expect(device.record('items', 'j').price).toBe(15);
    expect(desk.asks()).toEqual([]);
  });

  it('brings it beside what is another by now: what was found stands', () => {
    phone.edit('items', 'j', { price: 15 });
    sendAway();
    desk.edit('items', 'j', { price: 12 });
    settle(desk.replica);
    const back = comeBack();
    for (const device of [desk, back]) {
      expect(device.record('items', 'j').price).toBe(12);
      expect(device.asks()).toEqual([['j', 'price', [12, 15]]]);
    }
  });

  it('brings back what it changed and is gone, with all that belongs to it, and asks', () => {
    phone.edit('items', 'j', { price: 15 });
    sendAway();
    away(desk);
    settle(desk.replica);
    expect(desk.records.size).toBe(0);
    const back = comeBack();
    for (const device of [desk, back]) {
      expect([...device.records.keys()].sort()).toEqual(['items j', 'pictures p']);
      expect(device.record('items', 'j')).toMatchObject(jumper && { ...jumper, price: 15 });
      expect(device.asks()).toContainEqual(['j', '*', expect.arrayContaining([true, false])]);
    }
  });

  it('brings what it added to something that is gone, with that', () => {
    phone.edit('plans', 'j_moor', { id: 'j_moor', itemId: 'j', wanted: true });
    sendAway();
    away(desk);
    settle(desk.replica);
    const back = comeBack();
    for (const device of [desk, back])
      expect([...device.records.keys()].sort()).toEqual(['items j', 'pictures p', 'plans j_moor']);
  });

  it('brings what others brought before it, and took away since, as it left it', () => {
    phone.edit('items', 'k', { ...jumper, id: 'k', pictureIds: [] });
    const wide = phone.join('wide000', 'Cyd');
    wide.edit('items', 'k', { facts: {} });
    sendAway();
    comeBack();
    desk.edit('items', 'k', null);
    phone = wide;
    const back = comeBack('wide001');
    for (const device of [desk, back]) {
      expect(device.record('items', 'k').facts).toEqual({});
      expect(device.asks()).toContainEqual(['k', '*', expect.arrayContaining([true, false])]);
    }
  });

  it('brings all beside all, where neither ever knew of the other', () => {
    const stranger = new Device(firstReplica('other00'), 'Cyd');
    stranger.edit('items', 'j', { ...jumper, price: 99 });
    stranger.edit('items', 'k', { ...jumper, id: 'k' });
    settle(stranger.replica);
    phone = stranger;
    const back = comeBack();
    for (const device of [desk, back]) {
      expect(device.record('items', 'j').price).toBe(10);
      expect(device.asks()).toContainEqual(['j', 'price', [10, 99]]);
      expect(device.read('items', 'k')).not.toBeNull();
    }
  });
});

describe('what is handed on next', () => {
  const change = (by: string, n: number, seen: Record<string, number>): Change => ({
    ...{ by, n, seen, at: 0, who: '', label: '', records: [] },
  });
  const changes = new Map([
    ['aaaaaa', [change('aaaaaa', 1, {}), change('aaaaaa', 2, { aaaaaa: 1, bbbbbb: 1 })]],
    ['bbbbbb', [change('bbbbbb', 1, { aaaaaa: 1 })]],
  ]);
  const named = (all: Change[]) => all.map(({ by, n }) => `${by}${n}`);

  it('rests on what they have, or on what goes before it', () => {
    expect(named(nextFor({}, changes, 9))).toEqual(['aaaaaa1', 'bbbbbb1', 'aaaaaa2']);
    expect(named(nextFor({}, changes, 2))).toEqual(['aaaaaa1', 'bbbbbb1']);
  });

  it('is nothing of those whom they refuse, or that rests on such', () => {
    expect(named(nextFor({}, changes, 9, new Set(['bbbbbb'])))).toEqual(['aaaaaa1']);
  });
});
