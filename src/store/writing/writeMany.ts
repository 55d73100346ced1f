import { planId, type Item, type Plan } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { summarise } from '@/core/price/comps';
import { judgedFor } from '@/core/price/judged';
import { writeFor, type WriteMaterial, type WritePlan, type WriteWish } from '@/core/stock/write';
import { patternFor } from '@/core/words/descriptionFor';
import { changeMany, useAttic } from '@/store/attic/attic';
import { yieldToMain } from '@/store/base/yieldToMain';
import { useCourier } from '@/store/courier/courierLink';
import { examine } from '@/store/courier/sending';
import { itemWith, planWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { soughtNow } from '@/store/research/searchDemand';

import { wordsNow } from './inStep';

/** So many are thought through before a tap is answered. */
const SLICE = 4;

/** What would be written of each; for many it takes a while, in which taps are answered. */
export async function planWriting(ids: readonly string[], wish: WriteWish): Promise<WritePlan[]> {
  const plans: WritePlan[] = [];
  for (const [i, id] of ids.entries()) {
    if (i % SLICE === SLICE - 1) await yieldToMain();
    const item = useAttic.getState().items[id];
    if (item) plans.push(writeFor(item, wish, materialFor(item)));
  }
  return plans;
}

function materialFor(item: Item): WriteMaterial {
  const { plans, settings, patterns } = useAttic.getState();
  const kinds = kindsNow();
  const { title, description } = wordsNow(item);
  return {
    kinds,
    words: { title: title ?? '', description },
    tone: patternFor(item, patterns, settings.tone, kinds).name,
    wanted: useCourier.getState().sheets.flatMap((sheet) => {
      const plan = plans[planId(item.id, sheet.marketplace)];
      return plan?.wanted ? [{ sheet, plan, effective: examine(item, sheet).effective }] : [];
    }),
    sought: soughtNow(item.kind),
    sold: soldOf(item),
    endings: settings.priceEndings,
  };
}

/** What others like it sold for, as it is judged on its own sheet. */
function soldOf(item: Item): WriteMaterial['sold'] {
  const research = useAttic.getState().research[item.id];
  return research ? { summary: summarise(judgedFor(research, item)), at: research.at } : null;
}

/** Writes what was shown, with one undo for all. @returns of how many items something was written */
export async function applyWriting(plans: readonly WritePlan[]): Promise<number> {
  const some = plans.filter((p) => p.lines.length > 0);
  const { items } = useAttic.getState();
  const makers = some.flatMap(({ id, item: part, plans: own }) => {
    const item = items[id];
    if (!item) return [];
    return [
      ...(Object.keys(part).length > 0 ? [() => itemWith(item, part)] : []),
      ...byMarket(own).map(([market, planned]) => () => {
        return planWith(id, market, planned);
      }),
    ];
  });
  if (makers.length > 0)
    await changeMany(`${plural(some.length, 'one item', `${some.length} items`)} written`, makers, {
      destructive: true,
    });
  return some.length;
}

/** Tags and price of one marketplace are of one record. */
function byMarket(plans: WritePlan['plans']): [string, Partial<Plan>][] {
  const parts = new Map<string, Partial<Plan>>();
  for (const { market, part } of plans) parts.set(market, { ...parts.get(market), ...part });
  return [...parts];
}
