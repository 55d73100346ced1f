import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { addItem, editPlan } from '@/store/items/items';
import { commandsIn, listed, sentDraftsOf, told } from '@/testing/courier';
import { canPress, field, fill, open, press, said, sees } from '@/testing/page';
import { went } from '@/testing/router';
import { emptyAttic, manyItems, market, SHEETS, troubledEvening } from '@/testing/world';

import { Connections } from './Connections';
import { Mappings } from './Mappings';
import { TermsPage } from './TermsPage';
import { Depot } from '../depot/Depot';

jest.mock('@/store/base/files', () => ({ saveFile: jest.fn() }));

const MOOR = { params: { market: 'brackenmoor' } };

describe('connections', () => {
  const SERVER = {
    '/connections/': () => ({ milliseconds: 420 }),
    '/own/': () => ({ strays: 2 }),
    '/sheets': () => ({ sheets: SHEETS, missing: [] }),
  };
  it('can be tested, paused and compared, each answered in words', async () => {
    await manyItems();
    const asked = await open(Connections, { answers: SERVER });
    await press('Test Brackenmoor');
    await sees('It answers, in 0.4 seconds.');
    await press('Pause Brackenmoor');
    await press('Compare what Brackenmoor shows');
    await sees('2 listings were not as they should be: see Today.');
    expect(asked.map((a) => [a.path, a.body.type])).toEqual([
      ['/connections/brackenmoor', 'test'],
      ['/connections/brackenmoor', 'pause'],
      ['/own/brackenmoor/compare', undefined],
    ]);
  });
  it('that let nobody in take a new code, and say when it is not taken', async () => {
    await troubledEvening();
    let taken = false;
    const asked = await open(Connections, {
      answers: {
        ...SERVER,
        '/connections/': () =>
          taken ? { milliseconds: null } : { refused: 'That code is not known there.', status: 422 },
      },
    });
    await sees('It did not answer.');
    expect(canPress('Test Nearstile')).toBe(false);
    await fill('Code from Nearstile', 'wrong');
    await press('Connect Nearstile');
    await sees('That code is not known there.');
    taken = true;
    await fill('Code from Nearstile', 'right');
    await press('Connect Nearstile');
    expect(asked.filter((a) => a.path.startsWith('/connections')).map((a) => a.body)).toEqual([
      { type: 'connect', code: 'wrong' },
      { type: 'connect', code: 'right' },
    ]);
  });
  it('the own shop as files holds what stands in it, not what is planned for it', async () => {
    await emptyAttic();
    const id = addItem({ title: 'Navy gansey', price: 4_800 });
    editPlan(id, 'lanternyard', 'planned', { wanted: true });
    const asked = await open(Connections, {
      answers: { ...SERVER, '/drafts/': ({ path }) => sentDraftsOf(path.split('/')[2]!) },
    });
    await press('Save Lanternyard as files');
    await sees('Nothing stands in Lanternyard yet: nothing was saved.');
    told(id, { listings: [listed('lanternyard')] });
    await press('Save Lanternyard as files');
    await sees('One item saved as shop.zip');
    expect(asked.map((a) => a.path)).toContain(`/drafts/${id}`);
  });
  it('without the courier change nothing, and say so', async () => {
    await manyItems();
    await open(Connections, { offline: true });
    await press('Test Brackenmoor');
    await sees('The courier can’t be reached. Nothing was sent; try again.');
    await press('Terms of Brackenmoor');
    expect(went.at(-1)).toBe('/terms?market=brackenmoor');
  });
});

describe('terms', () => {
  const terms = () => Object.values(useAttic.getState().terms);
  it('are made, named and set, and the listings they change are sent only when asked', async () => {
    const many = await manyItems();
    const asked = await open(TermsPage, {
      ...MOOR,
      answers: {
        '/pictures/': () => ({}),
        '/drafts/': ({ path }) => sentDraftsOf(path.split('/')[2]!, { postage: 999 }),
      },
    });
    await press('Make the usual terms');
    await fill('Name of the terms', 'Light items');
    await press('One amount');
    await fill('The one amount', '3.50');
    await fill('Each further piece', '1.00');
    await fill('Handling time', '3');
    await fill('Returns accepted within', '30');
    await press('You');
    await press('Everywhere');
    await press('May be fetched in person');
    await press('Clothes');
    await press('Haul quayside');
    await press('Mrs Aldous');
    expect(terms()).toMatchObject([
      {
        name: 'Light items',
        home: 'flat',
        flat: 350,
        further: 100,
        handlingDays: 3,
        returnDays: 30,
        returnsPaidBy: 'seller',
        abroad: 'far',
        collect: true,
        haulIds: [many.haul],
        ownerIds: [many.owner],
        kinds: ['clothes'],
        isDefault: true,
      },
    ]);
    await fill('Name of the terms', ' ');
    await sees('They need a name.');
    await sees(/\d+ live listings change/u);
    await sees('€9.99 → €3.50');
    await press('Change them on Brackenmoor');
    await sees('A picture is missing on this device: remove it or add it again.');
    expect(commandsIn(asked)).toEqual([]);
    await press(/^Remove the terms/u);
    expect(terms()).toEqual([]);
  });
  it('offer what the marketplace takes, and name what it takes nothing of', async () => {
    await emptyAttic();
    await open(TermsPage, { params: { market: 'oldhollow' } });
    await press('Make the usual terms');
    expect(said()).not.toContain('Each further piece');
    await sees('Oldhollow takes nothing of: further pieces.');
    await press('Cash');
    expect(terms()[0]?.payment).toEqual(['marketplace', 'cash']);
  });
  it('name all of it where a marketplace has its own terms for everybody', async () => {
    await emptyAttic();
    await open(TermsPage, { params: { market: 'threadwick' } });
    await press('Make the usual terms');
    await sees(
      'Threadwick takes nothing of: postage at home, further pieces, postage abroad, days until it ' +
        'is posted, sending back, ways to pay, tax, fetching in person. Packing goes by your days ' +
        'all the same.',
    );
    expect(said()).not.toContain('Sent abroad');
  });
  it('in an empty attic say what they are for', async () => {
    await emptyAttic();
    await open(TermsPage, MOOR);
    await sees('None yet: buyers pay what the carrier asks.');
    expect(said()).not.toContain('listing changes');
  });
});

describe('how kinds translate', () => {
  const mapping = () => Object.values(useAttic.getState().mappings);
  it('is decided for a branch, field by field, and left to the suggestions again', async () => {
    await manyItems();
    await open(Mappings, MOOR);
    await press('Decide for Shoes');
    await sees('Back to all kinds');
    await press('How Main colour is filled');
    await press('Ask me each time');
    expect(Object.values(mapping()[0]?.fields ?? {})).toEqual([{ from: 'ask' }]);
    await sees('asked each time');
    await press('Always the same');
    // Nothing is fixed for a whole branch before it was said what.
    expect(Object.values(mapping()[0]?.fields ?? {})).toEqual([{ from: 'ask' }]);
    await press('Brown');
    expect(Object.values(mapping()[0]?.fields ?? {})).toMatchObject([{ from: 'fixed' }]);
    await press('From another');
    expect(Object.values(mapping()[0]?.fields ?? {})).toMatchObject([{ from: 'fact' }]);
    await press('From the same fact');
    expect(Object.values(mapping()[0]?.fields ?? {})).toEqual([]);
    await press('Back to all kinds');
    expect(canPress('Decide for Clothes')).toBe(true);
  });
  it('says how sure each is, and that nothing fits where nothing does', async () => {
    await manyItems();
    await open(Mappings, MOOR);
    await sees('suggested, sure: “shoes and boots” is in its name');
    await sees('suggested, not sure: “hand tools” may be near');
    await sees('Clothesits kinds go to several');
    await sees('Furniturenothing fits: choose one, or leave it out there');
  });
  it('waits for the rules', async () => {
    await emptyAttic();
    useCourier.setState({ sheets: [] });
    await open(Mappings, MOOR);
    await sees('The rules of Brackenmoor are being read…');
  });
  it.each([
    ['Terms', TermsPage],
    ['Kinds', Mappings],
    ['Depot', Depot],
  ])('%s without a marketplace says so, and waits for nothing', async (_, page) => {
    await emptyAttic();
    await open(page, { params: {} });
    await sees('There is no such marketplace: choose one under Marketplaces.');
    await open(page, { params: { market: 'nowhere' } });
    await sees('There is no such marketplace: choose one under Marketplaces.');
    useCourier.setState({ markets: [], sheets: [] });
    await open(page, MOOR);
    await sees('The courier was not heard yet, so nothing is known of that marketplace.');
  });
});

it('a marketplace with a depot and coupons leads to both', async () => {
  await manyItems();
  useCourier.setState({ markets: SHEETS.map((s) => market(s)) });
  const asked = await open(Connections, {
    answers: { '/coupons/': () => ({ coupons: [{ code: 'SPRING', percentOff: 10 }] }) },
  });
  await press('Coupons of Lanternyard');
  await sees('SPRING: 10 % off');
  await fill('Coupon code', 'SUMMER');
  await fill('Per cent off', '15');
  expect((await field('Per cent off')).value).toBe('15');
  await press('End SPRING');
  expect(asked.at(-2)?.path ?? '').toContain('/coupons/lanternyard');
  await press('Depot of Quirestack');
  expect(went.at(-1)).toBe('/depot?market=quirestack');
});
