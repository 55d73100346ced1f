import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { examine } from '@/store/courier/sending';
import { editPlan } from '@/store/items/items';
import { addStencil } from '@/store/items/stencils';
import { fill, open, press, sees } from '@/testing/page';
import { manyItems, SHEETS } from '@/testing/world';

import { StencilLine } from './StencilLine';

const SHEET = SHEETS.find((s) => s.marketplace === 'brackenmoor')!;
let id = '';
const item = () => useAttic.getState().items[id]!;
const plan = (of = id) => useAttic.getState().plans[planId(of, 'brackenmoor')];
function Line() {
  // Drawn anew with each change, as on the sheet.
  useAttic();
  return <StencilLine item={item()} examined={examine(item(), SHEET)} />;
}

beforeEach(async () => {
  id = (await manyItems()).id('Kittiwake');
});

it('what a first listing says is kept under a name, and lies under the next of its kind', async () => {
  editPlan(id, 'brackenmoor', 'promotion', { promotionBp: 300 });
  await open(Line);
  await press('Keep this as a stencil for Brackenmoor');
  await fill('Name of the stencil', 'Knitwear');
  await press('Keep it');
  await sees(/From the stencil “Knitwear”: .*promotion/u);
  expect(plan()).toMatchObject({ promotionBp: 0 });
  const next = Object.values(useAttic.getState().items).find((t) => t.id !== id && t.kind === item().kind);
  const { laid, effective } = examine({ ...item(), ...next, kind: item().kind }, SHEET);
  expect([laid.stencil?.name, effective.paid.promotionBp]).toEqual(['Knitwear', 300]);
});

it('is taken off one listing, and laid under it again', async () => {
  addStencil('brackenmoor', 'Knitwear', { kinds: [item().kind], promotionBp: 300 });
  await open(Line);
  await press('Take the stencil off on Brackenmoor');
  expect(examine(item(), SHEET).effective.paid.promotionBp).toBe(0);
  await press('Lay the usual stencil under it on Brackenmoor');
  expect(examine(item(), SHEET).effective.paid.promotionBp).toBe(300);
});

it('a small change on top stays until it is given back', async () => {
  addStencil('brackenmoor', 'Knitwear', { kinds: [item().kind], promotionBp: 300 });
  editPlan(id, 'brackenmoor', 'promotion', { promotionBp: 0, ownParts: ['promotion'] });
  await open(Line);
  await sees('all of it is said otherwise here');
  expect(examine(item(), SHEET).effective.paid.promotionBp).toBe(0);
  await press('Give promotion back to the stencil on Brackenmoor');
  expect(examine(item(), SHEET).effective.paid.promotionBp).toBe(300);
});
