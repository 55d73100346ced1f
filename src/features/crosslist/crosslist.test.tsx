import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic';
import { useQueue } from '@/store/sendQueue';
import { fill, open, press, said, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyThings, troubledEvening } from '@/testing/world';

import { Crosslist } from './Crosslist';

const plans = () => useAttic.getState().plans;

it('with nothing to list says so, and offers nothing', async () => {
  await emptyAttic();
  await open(Crosslist);
  await sees('Nothing here to list.');
  await sees('0 ready · 0 live');
  expect(said()).not.toMatch(/Send \d/u);
});

describe('many things', () => {
  it('are checked beside the page, and their totals shown before anything goes', async () => {
    await manyThings();
    await open(Crosslist);
    await sees(/\d+ ready · \d+ to put right · \d+ live/u);
    await sees(/Take-home €\d+/u);
  });
  it('chosen ones are withdrawn only after a second press', async () => {
    const many = await manyThings();
    await open(Crosslist);
    await fill('Search', 'gansey');
    await settled(200);
    await press(/^Choose Kittiwake/u);
    await sees(/^.*1 chosen/mu);
    await sees(/· \d+ live/u);
    await settled(500);
    await press(/^Withdraw \d+$/u);
    expect(Object.keys(useQueue.getState())).toEqual([]);
    await press(/^Yes, withdraw \d+$/u);
    expect(Object.keys(useQueue.getState()).every((key) => key.startsWith(many.id('Kittiwake')))).toBe(true);
  });
  it('are found by words, and each leads to its sheet', async () => {
    const many = await manyThings();
    await open(Crosslist);
    await fill('Search', 'enamel');
    await settled(200);
    expect(said()).not.toContain('Kittiwake');
    await press(/^Blue speckled|Brackenmoor/u);
    expect(went.at(-1)).toContain(`/thing/${many.id('Blue')}`);
  });
  it('on a wide screen a whole column is planned, or none', async () => {
    const many = await manyThings();
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
      thing: many.id('Marrow'),
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
