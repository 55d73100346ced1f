import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { dropJobs, useQueue } from '@/store/courier/sendQueue';
import { addItem } from '@/store/items/items';
import { useMany } from '@/store/items/many';
import { listed, told } from '@/testing/courier';
import { fill, open, press, said, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyItems, troubledEvening } from '@/testing/world';

import { Crosslist } from './Crosslist';

// What one test sends is not still being worked on in the next.
afterEach(async () => {
  for (;;) {
    dropJobs(Object.keys(useQueue.getState()));
    if (Object.keys(useQueue.getState()).length === 0) return;
    await settled(50);
  }
});

const plans = () => useAttic.getState().plans;

it('with nothing to list says so, and offers nothing', async () => {
  await emptyAttic();
  await open(Crosslist);
  await sees('Nothing here to list.');
  await sees('0 ready · 0 live');
  expect(said()).not.toMatch(/Send \d/u);
});

describe('many items', () => {
  it('are checked beside the page, and their totals shown before anything goes', async () => {
    await manyItems();
    await open(Crosslist);
    await sees(/\d+ ready · \d+ to put right · \d+ live/u);
    await sees(/Take-home €\d+/u);
  });
  it('nothing goes out that was not looked through: new ones, and what changed', async () => {
    await manyItems();
    await open(Crosslist);
    await sees(/[1-9]\d* ready/u);
    await settled(600);
    // Nothing is chosen: what is in sight is looked through first.
    await press(/^Review \d+ to send$/u);
    await press(/^Review \d+ to change$/u);
    expect(went).toEqual(['/outgoing?wish=list&of=planned', '/outgoing?wish=revise']);
    expect(useMany.getState().ids.length).toBeGreaterThan(5);
    expect(useQueue.getState()).toEqual({});
  });
  it('with some chosen the same can be done as in stock, with those alone', async () => {
    const many = await manyItems();
    await open(Crosslist);
    await fill('Search', 'gansey');
    await settled(200);
    await press(/^Choose Kittiwake/u);
    await press('More…');
    await press('Withdraw');
    expect(went).toEqual(['/outgoing?wish=withdraw']);
    expect(useMany.getState().ids).toEqual([many.id('Kittiwake')]);
    expect(useQueue.getState()).toEqual({});
  });
  it('are found by words, and each leads to its sheet', async () => {
    const many = await manyItems();
    await open(Crosslist);
    await fill('Search', 'enamel');
    await settled(200);
    expect(said()).not.toContain('Kittiwake');
    await press(/^Blue speckled|Brackenmoor/u);
    expect(went.at(-1)).toContain(`/item/${many.id('Blue')}`);
  });
  it('on a wide screen a whole column is planned, or none', async () => {
    const many = await manyItems();
    await open(Crosslist, { wide: true });
    const wanted = () => Object.values(plans()).filter((p) => p.market === 'oldhollow' && p.wanted).length;
    const before = wanted();
    await press('Plan all for Oldhollow, or none');
    await settled(200);
    expect(wanted()).toBeGreaterThan(before + 10);
    expect(plans()[planId(many.id('Kittiwake'), 'oldhollow')]?.wanted).toBe(true);
  });
});

it('what could not be sent is said with its reason, and tried again', async () => {
  const many = await troubledEvening();
  const key = `${many.id('Marrow')} brackenmoor`;
  useQueue.setState({
    [key]: {
      item: many.id('Marrow'),
      market: 'brackenmoor',
      action: 'send',
      state: 'failed',
      why: 'A picture is missing.',
      field: '',
      next: null,
    },
  });
  await open(Crosslist);
  await sees('One could not be sent: A picture is missing.');
  await press('Try those again');
  // It was tried: what it says now is what is wrong now.
  await sees(/One could not be sent: (?!A picture is missing\.)/u);
});

it('where this person does not sell is out of the way, unless something hangs there', async () => {
  await emptyAttic();
  told(addItem({ title: 'A mug' }), { listings: [listed('nearstile')] });
  const off = ['oldhollow', 'nearstile'];
  useCourier.setState(({ markets }) => ({
    markets: markets.map((m) => (off.includes(m.id) ? { ...m, link: 'off' } : m)),
  }));
  await open(Crosslist, { wide: true });
  await sees('A mug');
  expect(said()).not.toContain('Oldhollow');
  expect(said()).toContain('Nearstile');
});
