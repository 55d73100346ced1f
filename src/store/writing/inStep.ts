import { planId, type Item } from '@/contract/records';
import { describe, patternFor } from '@/core/words/descriptionFor';
import { inStep, writtenAnew, type WordsNow } from '@/core/words/inStep';
import type { WrittenBy } from '@/core/words/sources';
import { titleFromFacts } from '@/core/words/title';
import { change, useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { editItem, itemWith } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { soughtNow, together } from '@/store/research/searchDemand';

/** A usual title limit where no marketplace is wanted yet; common practice. */
export const USUAL_TITLE = 80;

/** The longest title that one of the marketplaces takes on which an item is wanted with the shared one. */
function longestTitle(itemId: string): number {
  const { plans } = useAttic.getState();
  const limits = useCourier.getState().sheets.flatMap((sheet) => {
    const plan = plans[planId(itemId, sheet.marketplace)];
    return plan?.wanted && plan.title === null ? [sheet.title.max] : [];
  });
  return limits.length > 0 ? Math.max(...limits) : USUAL_TITLE;
}

/** By what an item's words are written just now. */
export function writtenBy(item: Item): WrittenBy {
  const { settings, patterns } = useAttic.getState();
  const kinds = kindsNow();
  const pattern = patternFor(item, patterns, settings.tone, kinds).text;
  return { kinds, units: settings.units, closing: settings.closingWords, pattern };
}

/** Title and description from the facts, in the chosen tone. */
export function wordsNow(item: Item): WordsNow {
  const { settings, patterns } = useAttic.getState();
  const kinds = kindsNow();
  const sought = together(soughtNow(item.kind));
  const pattern = patternFor(item, patterns, settings.tone, kinds);
  const filled = describe(item, pattern, kinds, settings.units, settings.closingWords);
  return {
    title: titleFromFacts(item, kinds, longestTitle(item.id), 'characters', sought),
    description: filled.ok ? filled.text : null,
  };
}

/** Writes title and description from the facts, as far as no person has touched them. */
export function keepInStep(itemId: string): void {
  const item = useAttic.getState().items[itemId];
  if (!item || item.kind === '') return;
  const part = inStep(item, wordsNow(item));
  if (part) change('written from the facts', [itemWith(item, part)], { ownUndo: true });
}

/** Writes both at a person's wish, whatever stands there. */
export function writeAnew(itemId: string): void {
  editItem(itemId, 'written from the facts', (item) => {
    const { title, description } = wordsNow(item);
    return writtenAnew(item, { title: title ?? '', description: description ?? '' });
  });
}
