import { BUILT_IN } from '@/core/kinds/tree';
import { effectiveListing } from '@/core/listing/effective';
import { useAttic } from '@/store/attic/attic';
import { emptyAttic, SHEETS } from '@/testing/world';

import { addItem, editPlan } from './items';
import { learnFrom } from './mappings';
import { setupOf } from './setup';

const MOOR = SHEETS.find((s) => s.marketplace === 'brackenmoor')!;

/** What is remembered once an item of a kind was sent to Brackenmoor. */
async function sentOf(kind: string, category: string | null = null) {
  await emptyAttic();
  const id = addItem({ kind });
  if (category) editPlan(id, 'brackenmoor', 'category', { category });
  const state = useAttic.getState();
  const item = state.items[id]!;
  const plan = state.plans[`${item.id}_brackenmoor`];
  const effective = effectiveListing(item, plan, MOOR, BUILT_IN, setupOf(state, 0));
  learnFrom(item, { sheet: MOOR, effective });
  return {
    suggested: effective.found,
    kept: useAttic.getState().mappings[`brackenmoor_${kind}`]?.category ?? null,
  };
}

describe('the category that something was sent under', () => {
  it('is kept for its kind where its name says so', async () =>
    expect(await sentOf('jumper')).toMatchObject({ suggested: { sureness: 'sure' }, kept: 'wear.knit' }));
  it('stays a question where it was only likely', async () =>
    expect(await sentOf('dress')).toMatchObject({ suggested: { sureness: 'likely' }, kept: null }));
  it('is kept where the person chose it', async () =>
    expect(await sentOf('dress', 'wear.tops')).toMatchObject({ suggested: null, kept: 'wear.tops' }));
  it('is none where nothing fits', async () =>
    expect(await sentOf('guitar')).toMatchObject({ suggested: null, kept: null }));
});
