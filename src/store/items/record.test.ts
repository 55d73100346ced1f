import 'fake-indexeddb/auto';

import { USUAL_LIKE } from '@/contract/settings';
import { openAttic, undo, useAttic } from '@/store/attic/attic';

import { editHaul, keepSpot, moveTo, spreadCost, startHaul } from './hauls';
import { addItem, anotherLike, changeKind, codeNow, editItem, giveNewCode, setFact } from './items';
import { kindsNow } from './kinds';
import { addKind, keepSpecific, removeKind, takeBackSpecific } from './ownKinds';

const item = (id: string) => useAttic.getState().items[id]!;
const fact = (kind: string, id: string) => kindsNow().fact(kind, id)!;

beforeAll(() => openAttic(`record-${Date.now()}`));

it('begins an item with what its haul says, in its kind, with a code of its own', () => {
  const haul = startHaul('Quayside', '2026-11-08');
  editHaul(haul, 'defaults', { defaults: { kind: 'jumper', spot: 'A3-12', ownerId: null } });
  const [one, two] = [addItem(), addItem()];
  expect(item(one)).toMatchObject({ haulId: haul, kind: 'jumper', spot: 'A3-12' });
  expect(item(one).code).not.toBe(item(two).code);
});

it('keeps a diary of who did what, also of what was taken back', () => {
  const id = addItem();
  editItem(id, 'title', { title: 'Gansey' });
  editItem(id, 'title', { title: 'Gansey jumper' });
  undo();
  const lines = useAttic.getState().diary[id]!.lines;
  expect(lines.map((l) => l.what)).toEqual(['new item', 'title', 'taken back: title']);
  expect(lines.every((l) => l.who === useAttic.getState().settings.author)).toBe(true);
  expect(item(id).title).toBe('');
});

it('gives a new code when its parts have changed, with the same number', () => {
  const id = addItem();
  const before = item(id);
  useAttic.setState((s) => ({
    settings: {
      ...s.settings,
      codePattern: { ...s.settings.codePattern, parts: ['kind', 'number', 'spot'] },
    },
  }));
  changeKind(id, 'lamp');
  editItem(id, 'spot', { spot: 'B2' });
  expect(codeNow(item(id))).toBe(`LAM-${String(before.number).padStart(4, '0')}-B2`);
  giveNewCode(id);
  expect(item(id).code).toBe(codeNow(item(id)));
  expect(item(id).number).toBe(before.number);
});

it('makes another like it with the facts, without pictures, flaws, code, spot and serial number', () => {
  const id = addItem({
    facts: { brand: 'Ostler', serial: 'SN-1' },
    kind: 'coat',
    spot: 'C1',
    flaws: [
      { id: 'f', type: 'hole', place: '', severity: 'clear', sizeMm: null, pictureId: null, pin: null },
    ],
    measurements: { chest: 590 },
    price: 7_400,
  });
  const copy = item(anotherLike(id, USUAL_LIKE)!);
  expect(copy).toMatchObject({
    facts: { brand: 'Ostler' },
    measurements: { chest: 590 },
    price: 7_400,
    flaws: [],
    spot: '',
    pictureIds: [],
    use: null,
    description: '',
  });
  expect(copy.facts.serial).toBeUndefined();
  expect(copy.code).not.toBe(item(id).code);
  expect(anotherLike('nobody', [])).toBeNull();
});

it('asks a question of one’s own below a branch, and gives it up without losing the answers', () => {
  const kind = addKind('jumper', 'Gansey');
  keepSpecific('clothes', { id: '', label: 'Which pile', private: true });
  const own = Object.values(useAttic.getState().specifics)[0]!;
  const id = addItem({ kind });
  setFact(id, fact(kind, own.fact), 'heap nine');
  expect(item(id).facts[own.fact]).toBe('heap nine');
  expect(kindsNow().isPrivate(kind, own.fact)).toBe(true);
  keepSpecific('clothes', { ...fact('clothes', own.fact), label: 'Which heap' });
  expect(Object.values(useAttic.getState().specifics)).toHaveLength(1);
  expect(kindsNow().factName(kind, own.fact)).toBe('Which heap');
  takeBackSpecific(own.id);
  expect(item(id).facts[own.fact]).toBe('heap nine');
  removeKind(kind);
  expect(kindsNow().get(kind)).toBeUndefined();
});

it('refuses an answer that the question does not take, and leaves the record as it was', () => {
  const id = addItem({ kind: 'book' });
  setFact(id, fact('book', 'year'), '1968');
  setFact(id, fact('book', 'year'), 'old');
  expect(item(id).facts.year).toBe('1968');
  setFact(id, fact('book', 'year'), ' ');
  expect(item(id).facts.year).toBeUndefined();
});

it('moves items into a spot with one undo', () => {
  keepSpot({ name: 'Box 4', capacity: 2, note: '' });
  const ids = [addItem({ spot: 'A1' }), addItem({ spot: 'A2' })];
  moveTo('Box 4', ids);
  expect(ids.map((id) => item(id).spot)).toEqual(['Box 4', 'Box 4']);
  undo();
  expect(ids.map((id) => item(id).spot)).toEqual(['A1', 'A2']);
});

it('writes a haul’s cost into its items’ records to the cent, with one undo', () => {
  const haul = startHaul('Table', '2026-11-09');
  editHaul(haul, 'cost', { cost: 1_000 });
  const ids = [addItem(), addItem(), addItem()];
  expect(spreadCost(haul)).toBe(3);
  expect(ids.map((id) => item(id).cost)).toEqual([334, 333, 333]);
  expect(spreadCost(haul)).toBe(0);
  // What was typed stays, unless it is meant.
  editItem(ids[0]!, 'cost', { cost: 50 });
  expect(spreadCost(haul)).toBe(0);
  expect(item(ids[0]!).cost).toBe(50);
  expect(spreadCost(haul, true)).toBe(1);
  expect(item(ids[0]!).cost).toBe(334);
  undo();
  undo();
  undo();
  expect(ids.map((id) => item(id).cost)).toEqual([null, null, null]);
});
