import { act } from '@testing-library/react';

import { planId, type Plan } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { useAuctions } from '@/store/courier/auctions';
import { useCourier } from '@/store/courier/courierLink';
import { editItem, editPlan } from '@/store/items/items';
import { listed, told } from '@/testing/courier';
import { leave, open, press, said, sees, settled } from '@/testing/page';
import { went } from '@/testing/router';
import { manyItems, SHEETS } from '@/testing/world';

import { ToLookAt } from './ToLookAt';
import { RulesLine } from '../today/MarketLines';

const JUMPER = 'Kittiwake';
afterEach(async () => {
  leave();
  act(() => useAuctions.setState({ auctions: [] }));
  await settled();
});
const plan = (id: string, market: string): Plan | undefined => useAttic.getState().plans[planId(id, market)];

it('shows what was refused with what the marketplace said, and leads to it', async () => {
  const many = await manyItems();
  const id = many.id(JUMPER);
  told(id, {
    listings: [
      listed('nearstile', {
        state: 'refused',
        reasons: [{ field: 'description', message: 'Say in the words that it was washed.' }],
      }),
    ],
  });
  await open(ToLookAt, { params: { market: 'nearstile' } });
  await sees('Nearstile did not take it.');
  await sees('Say in the words that it was washed.');
  await press(new RegExp(`^YA-1 ${JUMPER}`, 'u'));
  expect(went.at(-1)).toBe(`/item/${id}`);
});

it('puts right with one press what one press can do about each', async () => {
  const many = await manyItems();
  const ids = [JUMPER, 'Ostler'].map((title) => many.id(title));
  for (const id of ids) {
    told(id, { listings: [] });
    editPlan(id, 'brackenmoor', 'own', { wanted: true, title: 'A very long title of an item '.repeat(4) });
  }
  editPlan(many.id('Ostler'), 'brackenmoor', 'own', {
    title: 'Another very long title of an item '.repeat(4),
  });
  await open(ToLookAt, { params: { market: 'brackenmoor' } });
  await sees('The title is too long: Brackenmoor takes 80.');
  await press('Write it shorter: all 2');
  expect(ids.map((id) => plan(id, 'brackenmoor')?.title)).toEqual([null, null]);
  await sees('2 drafts would be refused.');
  expect(said()).not.toContain('Write it shorter');
});

it('names what is soon over: auctions and a month’s allowance', async () => {
  const many = await manyItems();
  const id = many.id(JUMPER);
  told(id, { listings: [listed('oldhollow', { remoteId: 'r1' })] });
  const sheets = SHEETS.map((s) => (s.marketplace === 'brackenmoor' ? { ...s, monthlyAllowance: 1 } : s));
  act(() => {
    useCourier.setState({ sheets });
    useAuctions.setState({
      auctions: [
        {
          ...{ market: 'oldhollow', remoteId: 'r1', bids: 0, highest: null, endsAt: Date.now() + 7_200_000 },
          ...{ round: 1, rounds: 1, becomes: null },
        },
      ],
    });
  });
  await open(ToLookAt);
  await sees('Soon over');
  await sees(/Oldhollow: no bid yet, ends in 2 hours/u);
  await sees('Brackenmoor: this month’s 1 new listings are used up');
});

it('says on Today what new rules refuse, and leads to each of them', async () => {
  const many = await manyItems();
  const id = many.id(JUMPER);
  told(id, { listings: [listed('brackenmoor')] });
  editItem(id, 'size', { facts: { ...useAttic.getState().items[id]?.facts, size: '' } });
  act(() =>
    useCourier.setState({
      sheets: SHEETS.map((s) => (s.marketplace === 'brackenmoor' ? { ...s, version: 2 } : s)),
    }),
  );
  await open(() => <RulesLine market="brackenmoor" />);
  await sees(/1 live listing.* would be refused/u);
  await press('Look at what Brackenmoor would refuse');
  expect(went.at(-1)).toBe('/to-look-at?market=brackenmoor');
});
