import { act } from '@testing-library/react';

import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { dropJobs, useQueue } from '@/store/courier/sendQueue';
import { fillInMany } from '@/store/items/many';
import { addStencil } from '@/store/items/stencils';
import { commandsIn, listed, sentDraftsOf, told } from '@/testing/courier';
import { canPress, fill, leave, open, press, said, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { manyItems } from '@/testing/world';

import { Outgoing } from './Outgoing';
import { Underway } from './Underway';

jest.mock('@/store/courier/sending', () => ({
  ...jest.requireActual('@/store/courier/sending'),
  // What is sent waits for the test to end.
  send: () => new Promise(() => undefined),
}));

afterEach(async () => {
  dropJobs(Object.keys(useQueue.getState()));
  useQueue.setState({}, true);
  await settled();
});
const plans = () => useAttic.getState().plans;
const jobs = () => Object.values(useQueue.getState());
async function begin(wish = 'list', titles = ['Kittiwake', 'Ostler']): Promise<string[]> {
  const many = await manyItems();
  const ids = titles.map((t) => many.id(t));
  for (const id of ids) told(id);
  fillInMany(ids);
  await open(Outgoing, { params: { wish } });
  return ids;
}

it('nothing chosen leads to stock', async () => {
  await manyItems();
  fillInMany([]);
  await open(Outgoing);
  await press('Go to stock');
  expect(went).toEqual(['/stock']);
});

describe('listing many', () => {
  it('says what goes, what it costs and leaves, before anything goes', async () => {
    const ids = await begin();
    await sees(/[1-9]\d* go/u);
    await sees(/Fees up to €\d+\.\d\d in all, leaves €/u);
    await sees(/leaves €/u);
    expect([jobs(), said().includes('List 2 items')]).toEqual([[], true]);
    await press(/^Send \d+$/u);
    expect(jobs().length).toBeGreaterThan(1);
    expect(new Set(jobs().map((j) => j.item))).toEqual(new Set(ids));
    for (const { item, market } of jobs()) expect(plans()[planId(item, market)]?.wanted).toBe(true);
    expect(went.at(-1)).toBe('/underway');
  });
  it('sends nothing before it was heard what is up or planned already', async () => {
    await begin();
    await sees(/[1-9]\d* go/u);
    act(() => useCourier.setState({ caughtUp: false }));
    await sees('hearing what is listed already…');
    expect(canPress(/Send \d+/u.exec(said())?.[0] ?? '')).toBe(false);
    expect(jobs()).toEqual([]);
    act(() => useCourier.setState({ caughtUp: true }));
    await press(/^Send \d+$/u);
    expect(jobs().length).toBeGreaterThan(1);
  });
  it('leaves out a marketplace, and single ones', async () => {
    const [first] = await begin();
    await sees(/[1-9]\d* go/u);
    await press('Threadwick');
    await settled(100);
    await press(/^Kittiwake.+, Brackenmoor: goes/u);
    await sees('left out');
    await press(/^Send \d+$/u);
    const sent = jobs().map((j) => `${j.item} ${j.market}`);
    expect(sent.some((s) => s.endsWith('threadwick'))).toBe(false);
    expect(sent).not.toContain(`${first} brackenmoor`);
    // The next time the same marketplaces are chosen.
    leave();
    await open(Outgoing);
    expect(document.querySelector('[aria-label="Where"] [aria-checked=false]')?.textContent).toContain(
      'Threadwick',
    );
  });
  it('gives each item its time, by a rhythm', async () => {
    const ids = await begin();
    await sees(/[1-9]\d* go/u);
    await press('One after the other');
    await fill('The first goes on', '2031-03-02T18:00');
    await fill('One every', '25');
    await press(/^Schedule \d+$/u);
    const first = new Date('2031-03-02T18:00').getTime();
    const times = ids.map(
      (id) =>
        new Set(
          jobs()
            .filter((j) => j.item === id)
            .map((j) => plans()[planId(id, j.market)]?.startAt),
        ),
    );
    expect(times).toEqual([new Set([first]), new Set([first + 25 * 60_000])]);
  });
  it('names what is stopped, and why; a press leads there', async () => {
    const many = await manyItems();
    const id =
      Object.values(useAttic.getState().items).find((t) => t.price === null)?.id ?? many.id('Ostler');
    fillInMany([id]);
    await open(Outgoing);
    await sees(/listings? (?:is|are) stopped/u);
    await press(/stopped: /u);
    expect(went.at(-1)).toMatch(new RegExp(`^/item/${id}\\?at=`, 'u'));
    expect(canPress('Send 0')).toBe(false);
  });
  it('lays a stencil under all of them', async () => {
    const ids = await begin();
    const stencil = addStencil('brackenmoor', 'Knitwear', { promotionBp: 300 });
    await press('Knitwear');
    expect(ids.map((id) => plans()[planId(id, 'brackenmoor')]?.stencil)).toEqual([
      { id: stencil },
      { id: stencil },
    ]);
  });
});

describe('what is up', () => {
  it('comes down where it is up, and nowhere else', async () => {
    const many = await manyItems();
    const id = many.id('Kittiwake');
    told(id, { listings: [listed('brackenmoor'), listed('threadwick', { state: 'ended', want: 'gone' })] });
    fillInMany([id]);
    const asked = await open(Outgoing, { params: { wish: 'withdraw' } });
    await sees('1 come down');
    await press('Withdraw 1');
    await settled(100);
    expect(commandsIn(asked)).toEqual([{ type: 'withdraw', item: id, market: 'brackenmoor' }]);
  });
  it('that changed since is shown old and new, and only what was seen goes', async () => {
    const many = await manyItems();
    const id = many.id('Kittiwake');
    told(id, { listings: [listed('brackenmoor', { draftHash: 'older' })] });
    fillInMany([id]);
    await open(Outgoing, {
      params: { wish: 'revise' },
      answers: { '/drafts/': ({ path }) => sentDraftsOf(path.split('/')[2]!, { title: 'As it was' }) },
    });
    await sees(/As it was → Kittiwake/u);
    await press('Change 1');
    expect(jobs()).toMatchObject([{ item: id, market: 'brackenmoor', action: 'send', seen: true }]);
  });
});

it('how far they are is told, and what needs a person with its reason', async () => {
  const [first, second] = await begin('list', ['Kittiwake', 'Ostler']);
  await sees(/[1-9]\d* go/u);
  await press(/^Send \d+$/u);
  const count = jobs().length;
  useQueue.setState({}, true);
  for (const id of [first!, second!])
    told(id, {
      listings: Object.keys(plans())
        .filter((key) => key.startsWith(`${id}_`))
        .map((key) =>
          listed(
            key.slice(id.length + 1),
            id === first
              ? {}
              : { state: 'refused', want: 'gone', reasons: [{ field: 'title', message: 'Too loud.' }] },
          ),
        ),
    });
  leave();
  await open(Underway);
  await sees(new RegExp(`\\d+ of ${count} are done`, 'u'));
  await sees('Too loud.');
  await press(/^Ostler/u);
  expect(went.at(-1)).toBe(`/item/${second}?at=title`);
});
