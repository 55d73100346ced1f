import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { addItem, editPlan, newItem } from '@/store/items/items';
import { listed, told } from '@/testing/courier';
import { emptyAttic } from '@/testing/world';

import { takeable, takeBack } from './takeBack';

const last = () => useAttic.getState().journal.at(-1)!;
const isTakeable = () => takeable(last(), useAttic.getState(), useCourier.getState()) !== null;
const titles = () => Object.values(useAttic.getState().items).map((t) => t.title);

beforeEach(emptyAttic);

it('that an item is new is taken back as long as it was never to be listed', () => {
  addItem({ title: 'A mug' });
  useCourier.setState({ connected: false, heardAt: 5 });
  expect(isTakeable()).toBe(true);
  takeBack(last());
  expect(titles()).toEqual([]);
});

it('not while buyers see it, nor while nobody can say whether they do', () => {
  const id = addItem({ title: 'A mug' });
  const made = last();
  told(id, { listings: [listed('brackenmoor')] });
  expect(isTakeable()).toBe(false);
  takeBack(made);
  expect(titles()).toEqual(['A mug']);
  told(id, { listings: [listed('brackenmoor', { want: 'gone', state: 'ended' })] });
  useCourier.setState({ connected: false });
  takeBack(made);
  expect(titles()).toEqual(['A mug']);
  useCourier.setState({ connected: true });
  takeBack(made);
  expect(titles()).toEqual([]);
});

it('what else was changed is taken back all the same', () => {
  const id = addItem({ title: 'A mug' });
  told(id, { listings: [listed('brackenmoor')] });
  editPlan(id, 'nearstile', 'planned', { wanted: true });
  expect(isTakeable()).toBe(true);
  takeBack(last());
  expect(Object.values(useAttic.getState().plans)).toEqual([]);
});

it('of many that came in at once, those that are listed stay, with what belongs to them', () => {
  const [one, other] = [newItem({ title: 'One' }), newItem({ title: 'Other' })];
  change('two new items', [
    { collection: 'items', id: one.id, record: one },
    { collection: 'items', id: other.id, record: other },
  ]);
  told(one.id, { listings: [listed('brackenmoor')] });
  takeBack(last());
  expect(titles()).toEqual(['One']);
});
