import fc from 'fast-check';

import type { OwnForm } from '@/contract/groups';

import { arranged, formFor, movedInOrder } from './form';
import { BUILT_IN } from './tree';

const form = (part: Partial<OwnForm>): OwnForm => ({
  id: 'f',
  kind: 'clothes',
  order: [],
  hidden: [],
  ...part,
});
const jumper = BUILT_IN.get('jumper')!;
const ids = jumper.facts.map((f) => f.id);

it('takes the form of the nearest kind above', () => {
  const [wide, near] = [form({ id: 'a' }), form({ id: 'b', kind: 'jumper' })];
  expect(formFor(jumper, [wide, near])).toBe(near);
  expect(formFor(jumper, [wide])).toBe(wide);
  expect(formFor(BUILT_IN.get('lamp')!, [wide, near])).toBeUndefined();
});

it('puts questions in the person’s order and away, but never a required one', () => {
  const required = jumper.facts.filter((f) => f.need === 'required').map((f) => f.id);
  expect(required.length).toBeGreaterThan(0);
  const order = fc.shuffledSubarray(ids);
  fc.assert(
    fc.property(order, fc.subarray([...ids, 'nothing']), (wanted, hidden) => {
      const { shown, hidden: away } = arranged(jumper.facts, form({ order: wanted, hidden }));
      expect([...shown, ...away].map((f) => f.id).sort()).toEqual([...ids].sort());
      expect(shown.map((f) => f.id)).toEqual(expect.arrayContaining(required));
      const named = shown.map((f) => f.id).filter((id) => wanted.includes(id));
      expect(named).toEqual(wanted.filter((id) => named.includes(id)));
    }),
  );
});

it('leaves all as the kind says without a form', () =>
  expect(arranged(jumper.facts, undefined)).toEqual({ shown: jumper.facts, hidden: [] }));

it('moves by one place, within the ends', () => {
  expect(movedInOrder(['a', 'b', 'c'], 'b', -1)).toEqual(['b', 'a', 'c']);
  expect(movedInOrder(['a', 'b', 'c'], 'b', 1)).toEqual(['a', 'c', 'b']);
  expect(movedInOrder(['a', 'b'], 'a', -1)).toEqual(['a', 'b']);
  expect(movedInOrder(['a', 'b'], 'x', 1)).toEqual(['a', 'b']);
});
