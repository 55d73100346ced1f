import { fireEvent, within } from '@testing-library/react';

import { useAttic } from '@/store/attic/attic';
import { addGroup } from '@/store/items/groups';
import { editHaul } from '@/store/items/hauls';
import { editItem, editPlan } from '@/store/items/items';
import { listed, told } from '@/testing/courier';
import { fill, leave, open, press, said, sees, settled } from '@/testing/page';
import { waitFor } from '@/testing/patience';
import { went } from '@/testing/router';
import { emptyAttic, manyItems } from '@/testing/world';

import { Stock } from './Stock';

const DAY = 86_400_000;
const click = async (what: HTMLElement) => {
  fireEvent.click(what);
  await settled();
};
const items = () => Object.values(useAttic.getState().items);
const rows = () => [...document.querySelectorAll('[role=listitem]')].map((r) => r.textContent ?? '');

it('an empty attic leads to its first picture', async () => {
  await emptyAttic();
  await open(Stock);
  await press('Begin with a picture');
  expect(went).toEqual(['/intake']);
});

describe('many items', () => {
  beforeEach(async () => {
    await manyItems();
    await open(Stock);
  });
  it('are found as one types, by words, code and spot; nothing that fits is said to be nothing', async () => {
    await fill('Search', 'wool navy');
    await sees('1 item');
    expect(rows()[0]).toContain('Kittiwake');
    await fill('Search', 'Rail-07');
    await sees(/Ostler/u);
    await fill('Search', 'zebra');
    await sees('Nothing matches.');
  });
  it('are put in another order, and shown by where they are', async () => {
    await press('Put them in another order');
    await press('Dearest first');
    await settled(100);
    const prices = rows()
      .map((r) => Number(/€(\d+\.\d\d)/u.exec(r)?.[1] ?? NaN))
      .filter(Number.isFinite);
    expect(prices).toEqual([...prices].sort((a, b) => b - a));
    await press('Listed');
    await settled(100);
    expect(rows().every((r) => !r.includes('Marrow'))).toBe(true);
    await press('Sold');
    await sees('Nothing matches.');
  });
  it('are narrowed by what is missing, kind and price, and kept as a group that fills itself', async () => {
    await press('More filters');
    await fill('Price from', '70.00');
    await fill('Price up to', '100.00');
    await settled(100);
    expect(rows().length).toBeGreaterThan(0);
    expect(rows().length).toBeLessThan(items().length);
    await fill('Keep as a group named', 'Dear ones');
    await press('Keep these filters as a group');
    expect(Object.values(useAttic.getState().groups)).toMatchObject([
      { name: 'Dear ones', filter: { priceFrom: 7_000 } },
    ]);
  });
  it('are changed together, after what would change was shown', async () => {
    await press('Select');
    await press(`All ${items().length}`);
    await press('More…');
    await press('Move to a spot');
    await fill('Spot', 'Fair box 1');
    await sees('YA-10: A1-01 → Fair box 1');
    await sees('and 11 more');
    await press(`Change ${items().length} items`);
    await sees(`${items().length} items changed. Undo takes all of it back.`);
    expect(new Set(items().map((t) => t.spot))).toEqual(new Set(['Fair box 1']));
    await press('Done selecting');
  });
});

describe('filters', () => {
  const found = async () => {
    await settled(150);
    return rows().length;
  };
  it('by where it is and is not listed, how long it is here, and who entered it', async () => {
    const many = await manyItems();
    editItem(many.id('Ostler'), 'test', () => ({ author: 'Ada', createdAt: Date.now() - 400 * DAY }));
    told(many.id('Ostler'), { listings: [listed('brackenmoor'), listed('threadwick')] });
    told(many.id('Kittiwake'), { listings: [listed('brackenmoor')] });
    await open(Stock);
    await press('More filters');
    const on = within(document.querySelector('[aria-label="Listed on"]')!);
    const notOn = within(document.querySelector('[aria-label="Not listed on"]')!);
    await click(on.getByText('Brackenmoor'));
    await click(on.getByText('Threadwick'));
    expect(await found()).toBeGreaterThan(0);
    expect(rows().join()).toContain('Ostler');
    expect(rows().join()).not.toContain('Kittiwake');
    // What it is asked to be on, it can't be asked not to be on.
    await click(notOn.getByText('Threadwick'));
    await settled(150);
    expect(rows().join()).toContain('Kittiwake');
    expect(rows().join()).not.toContain('Ostler');
    await press('Show everything again');
    await press('Here for: Over a year');
    expect(await found()).toBe(1);
    await press('Here for: Over a year');
    await press('Entered by: Ada');
    expect(await found()).toBe(1);
  });
  it('by the days it came in and was bought, and by the line of its haul', async () => {
    const many = await manyItems();
    editHaul(many.haul, 'test', {
      date: '2024-02-29',
      lines: [{ id: 'line', what: 'Lamps', count: 3, each: null }],
    });
    editItem(many.id('Ostler'), 'test', () => ({ haulId: many.haul, lineId: 'line' }));
    await open(Stock);
    await press('More filters');
    await fill('Bought from', '2024-02-29');
    await fill('Bought up to', '2024-02-29');
    expect(await found()).toBeGreaterThan(1);
    await press(/^From the haul: Haul quayside/u);
    await press('Line of the haul: Lamps');
    expect(await found()).toBe(1);
    expect(rows()[0]).toContain('Ostler');
    await press('Show everything again');
    await fill('Added since', '2999-01-01');
    await sees('Nothing matches.');
  });
  it('by what was changed since it was sent, and what was brought in; kept, they fill a group', async () => {
    const many = await manyItems();
    const id = many.id('Ostler');
    editPlan(many.id('Kittiwake'), 'brackenmoor', 'test', { adopted: 'there-1' });
    told(id, { listings: [listed('brackenmoor', { draftHash: 'old' })] });
    await open(Stock);
    await press('More filters');
    await press('Its listings: Brought in');
    expect(await found()).toBe(1);
    expect(rows()[0]).toContain('Kittiwake');
    await press('Its listings: Changed since it was sent');
    // Checked in the background: what was sent of it is not what would be sent by now.
    await waitFor(() => expect(rows().join()).toContain('Ostler'));
    expect(rows().join()).not.toContain('Marrow');
    await fill('Keep as a group named', 'To send again');
    await press('Keep these filters as a group');
    expect(Object.values(useAttic.getState().groups)[0]?.filter?.sent).toBe('changed');
  });
  it('a haul that is put away is offered once it is asked for', async () => {
    const many = await manyItems();
    editHaul(many.haul, 'test', { putAwayAt: 1 });
    await open(Stock);
    await press('More filters');
    expect(said()).not.toContain('Haul quayside');
    await press('Show one haul put away, too');
    await press(/^From the haul: Haul quayside/u);
  });
});

describe('groups are folders', () => {
  it('one is made where one stands, opened with its count, and left upwards', async () => {
    await manyItems();
    await open(Stock);
    await press('New group here');
    await fill('Name of the new group', 'Winter');
    await press('Make this group here');
    const [winter] = Object.values(useAttic.getState().groups);
    await leave();
    await open(Stock, { params: { group: winter!.id } });
    await press('New group here');
    await fill('Name of the new group', 'Knitwear');
    await press('Make this group here');
    expect(Object.values(useAttic.getState().groups)).toMatchObject([
      { name: 'Winter', parent: null },
      { name: 'Knitwear', parent: winter!.id },
    ]);
    await sees('Knitwear 0');
    await press('Group above');
    await leave();
    await open(Stock);
    await sees('Winter 0');
  });
  it('what is held down is chosen, and goes into one with a tap', async () => {
    const many = await manyItems();
    addGroup('Winter', null);
    await open(Stock);
    await sees('Winter 0');
    const row = document.querySelector('[role=listitem] [role=link]')!;
    fireEvent.mouseDown(row, { button: 0 });
    await settled(700);
    fireEvent.mouseUp(row, { button: 0 });
    await sees('1 chosen');
    await press('Put into Winter');
    await sees('One is in Winter now.');
    expect(items().filter((t) => t.groupIds.length === 1)).toHaveLength(1);
    await press('Put into Winter');
    await sees('All of them are in Winter already.');
    expect(many.id('Ostler')).toBeTruthy();
  });
});
