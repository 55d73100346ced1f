import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { addStencil } from '@/store/items/stencils';
import { fill, open, press, sees } from '@/testing/page';
import { manyItems, SHEETS } from '@/testing/world';

import { StencilsPage } from './StencilsPage';

const MOOR = { params: { market: 'brackenmoor' } };
const stencils = () => Object.values(useAttic.getState().stencils);

describe('the stencils of a marketplace', () => {
  it('are made, named, and say what the marketplace takes', async () => {
    await manyItems();
    const auctions = SHEETS.find((s) => s.auction)?.marketplace ?? '';
    await open(StencilsPage, { params: { market: auctions } });
    await press('Make a stencil');
    await fill('Name of the stencil', 'Knitwear by auction');
    await press('Auction');
    await fill('Opens at', '40');
    await fill('Outright for', '120,5');
    await fill('Runs for days', '5');
    await fill('Offers taken from', '95');
    await press('Front');
    await press('Label');
    await press('At a time of the week');
    expect(stencils()).toMatchObject([
      {
        name: 'Knitwear by auction',
        format: { openingBp: 4_000, outrightBp: 12_050, days: 5 },
        offers: { acceptFromBp: 9_500, refuseUnderBp: null },
        pictures: ['front', 'label'],
        start: { day: 7, minute: 1_080 },
      },
    ]);
    await sees('how it is sold, limits of offers, order of pictures, when');
    await sees('only where it is chosen');
  });
  it('refuse what is no share of a price, and keep what was said before', async () => {
    await manyItems();
    const id = addStencil('brackenmoor', 'Usual', { offers: { acceptFromBp: 9_000, refuseUnderBp: null } });
    await open(StencilsPage, { params: { market: 'brackenmoor', open: id } });
    for (const slip of ['-3', 'ten', '0']) {
      await fill('Offers taken from', slip);
      await sees('A number of per cent above 0, or nothing.');
    }
    expect(stencils()[0]?.offers?.acceptFromBp).toBe(9_000);
    await fill('Offers taken from', '');
    expect(stencils()[0]?.offers).toBeNull();
  });
  it('are removed, and what they lay under goes back to what it says itself', async () => {
    const many = await manyItems();
    addStencil('brackenmoor', 'Usual', { kinds: ['jumper'], promotionBp: 300 });
    await open(StencilsPage, MOOR);
    await press('Change the stencil Usual');
    await press('Remove the stencil Usual');
    expect(stencils()).toEqual([]);
    expect(useAttic.getState().plans[planId(many.id('Kittiwake'), 'brackenmoor')]?.promotionBp).toBe(0);
  });
});
