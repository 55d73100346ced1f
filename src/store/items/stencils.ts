import { Plan, planId } from '@/contract/records';
import { Stencil, type StencilPart } from '@/contract/stencil';
import { plural } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { emptyPlan, onStencil, ownPartsWith, stencilOf, stillUnder } from '@/core/stencils/stencils';
import { change, newId, useAttic, type Put } from '@/store/attic/attic';

import { editPlan, type PlanChange } from './items';

/** @returns the id of a new stencil that says nothing yet */
export function addStencil(market: string, name: string, part: Partial<Stencil> = {}): string {
  const record = Stencil.parse({ ...part, id: newId(), market, name });
  change(`stencil ${name}`, [{ collection: 'stencils', id: record.id, record }]);
  return record.id;
}

export function editStencil(id: string, part: Partial<Stencil>): void {
  const before = useAttic.getState().stencils[id];
  if (before) change('stencil', [{ collection: 'stencils', id, record: { ...before, ...part } }]);
}

/**
 * Values of a listing's own; where a stencil lies under it, they stay its own even if they say nothing.
 *
 * @param examined the listing as it was drawn; a change that builds on a value builds on what stands now
 */
export function editOwn(
  itemId: string,
  { sheet, laid }: Pick<Examined, 'sheet' | 'laid'>,
  label: string,
  change: PlanChange,
): void {
  editPlan(itemId, sheet.marketplace, `${label} on ${sheet.name}`, (now) => {
    const part = typeof change === 'function' ? change(stillUnder(now, laid)) : change;
    return laid.stencil ? { ...part, ownParts: ownPartsWith(now, part) } : part;
  });
}

/** Listings it lay under go back to the one for their kind, or to what they say themselves. */
export function removeStencil(id: string): void {
  change('stencil removed', [{ collection: 'stencils', id, record: null }], { destructive: true });
}

/**
 * Keeps what a listing says itself as a stencil, for the next of its kind; the listing lies on it from then
 * on. Another of the same name at the same marketplace is said anew.
 *
 * @returns the stencil's id; null where the item or its plan is gone
 */
export function keepAsStencil(itemId: string, market: string, name: string): string | null {
  const { items, plans, pictures, stencils } = useAttic.getState();
  const item = items[itemId];
  const plan = plans[planId(itemId, market)];
  if (!item || !plan) return null;
  const shown = (plan.pictureIds ?? []).map((id) => pictures[id]?.shows ?? '');
  const before = Object.values(stencils).find((s) => s.market === market && s.name === name);
  const id = before?.id ?? newId();
  const record = Stencil.parse({ ...stencilOf(item, plan, shown), id, name });
  // Of one kind there is one: the one kept last.
  const others = Object.values(stencils).filter(
    (s) => s.id !== id && s.market === market && s.kinds.some((kind) => record.kinds.includes(kind)),
  );
  change(`stencil ${name}`, [
    { collection: 'stencils', id, record },
    ...others.map((s): Put => ({
      collection: 'stencils',
      id: s.id,
      record: { ...s, kinds: s.kinds.filter((kind) => !record.kinds.includes(kind)) },
    })),
    { collection: 'plans', id: plan.id, record: onStencil(plan, id) },
  ]);
  return id;
}

/**
 * Lays a stencil under many listings, or takes whatever lies there off; what they say themselves stays.
 *
 * @param id null: none; undefined: the one for each one's kind
 * @returns how many changed
 */
export function layStencil(
  itemIds: readonly string[],
  market: string,
  id: string | null | undefined,
): number {
  const { plans, stencils } = useAttic.getState();
  const stencil = id === undefined ? null : { id };
  const puts = itemIds.flatMap((itemId): Put[] => {
    const plan = plans[planId(itemId, market)] ?? emptyPlan(itemId, market);
    const now = plan.stencil;
    if (now === stencil || (now !== null && stencil !== null && now.id === stencil.id)) return [];
    return [{ collection: 'plans', id: plan.id, record: { ...plan, stencil } }];
  });
  if (puts.length === 0) return 0;
  const name = id ? `stencil ${stencils[id]?.name ?? ''}` : id === null ? 'no stencil' : 'usual stencil';
  change(`${name} for ${plural(puts.length, 'one item', `${puts.length} items`)}`, puts, {
    destructive: puts.length > 1,
  });
  return puts.length;
}

/** What one part of a listing is where it says nothing of it itself. */
const UNSAID: Readonly<Record<StencilPart, Partial<Plan>>> = {
  format: { auction: null },
  terms: { termsId: null },
  offers: {},
  promotion: { promotionBp: 0 },
  extras: { extras: {} },
  pictures: { pictureIds: null },
  words: { description: null },
  start: { startAt: null },
  follow: { follow: null },
};

/** Gives a part of a listing back to its stencil. */
export function giveBack(itemId: string, market: string, part: StencilPart): void {
  const plan = useAttic.getState().plans[planId(itemId, market)];
  if (!plan) return;
  const ownParts = plan.ownParts.filter((p) => p !== part);
  const record = { ...plan, ...UNSAID[part], ownParts };
  change('given back to the stencil', [{ collection: 'plans', id: plan.id, record }]);
}
