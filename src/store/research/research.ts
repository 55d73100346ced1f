import { CompsAnswer, type Comp } from '@/contract/comps';
import { Research, type Item } from '@/contract/records';
import { publicWords } from '@/core/kinds/publicFacts';
import { compKey } from '@/core/price/comps';
import { change, useAttic } from '@/store/attic/attic';
import { wordsFor } from '@/store/base/faults';
import { ask, CourierTrouble } from '@/store/courier/courierLink';
import { kindsNow } from '@/store/items/kinds';
import { troubleWords } from '@/wording/courier';

import { placesOf } from './searchDemand';

/** What is asked when somebody wants to know what others sold for. */
export interface CompsQuestion {
  /** The research's id: the item's, or one of its own in the field. */
  id: string;
  kind: string;
  words: string;
  brand: string;
}

export function questionOf(item: Item): CompsQuestion {
  const kinds = kindsNow();
  const facts = publicWords(item, kinds);
  const words = [kinds.get(item.kind)?.titleWords, facts.brand, facts.model].filter(Boolean).join(' ');
  return {
    id: item.id,
    kind: item.kind,
    words: words.slice(0, 200),
    brand: (facts.brand ?? '').slice(0, 120),
  };
}

/**
 * Asks all marketplaces what was sold there, and keeps the answer with its day. Records that a person dropped
 * or kept stay dropped or kept, also when the marketplace no longer tells of them.
 *
 * @throws CourierTrouble with words for a person; what was known before stays
 */
export async function askComps(question: CompsQuestion): Promise<void> {
  const at = placesOf(question.kind);
  if (at.length === 0)
    throw new CourierTrouble('Say what kind of item it is first: nobody can be asked without it.');
  const query = new URLSearchParams([...at.map((place) => ['at', place]), ['words', question.words]]);
  const answer = CompsAnswer.safeParse(await (await ask(`/comps?${query}`)).json());
  if (!answer.success) throw new CourierTrouble('What the marketplaces answered could not be read.');
  const before = useAttic.getState().research[question.id];
  const { comps, missing } = answer.data;
  const told = new Set(comps.map(compKey));
  const gone = (before?.comps ?? []).filter(
    // What looks like it was not found by words: no marketplace tells of it again.
    (c) => !told.has(compKey(c)) && (before?.byHand[compKey(c)] === 'keep' || c.alike !== undefined),
  );
  // Of a marketplace that did not answer, what it said last still holds.
  const silent = new Set(missing.map((m) => m.market));
  const old = (before?.comps ?? []).filter((c) => silent.has(c.market) && !gone.includes(c));
  put(question.id, {
    at: Date.now(),
    words: question.words,
    brand: question.brand,
    comps: [...gone, ...comps, ...old].slice(0, 600),
    missing: missing.map(({ market, why }) => ({ market, why: troubleWords(why) })),
  });
}

/**
 * Asks for several items, one after the other: marketplaces have a pace. Who can't be asked keeps no other
 * from being asked.
 *
 * @param onEach told after each, with why where one could not be asked
 * @param isWanted asked before each: no further where it says no
 */
export async function askCompsOf(
  items: readonly Item[],
  onEach: (item: Item, trouble: string | null) => void,
  isWanted: () => boolean,
): Promise<void> {
  for (const item of items) {
    if (!isWanted()) return;
    try {
      await askComps(questionOf(item));
      onEach(item, null);
    } catch (error) {
      onEach(item, wordsFor(error, 'asking what others sold for'));
    }
  }
}

function put(id: string, part: Partial<Research>): void {
  const before = useAttic.getState().research[id];
  const record = Research.parse({ id, at: Date.now(), words: '', comps: [], ...before, ...part });
  change('what others sold for', [{ collection: 'research', id, record }], { ownUndo: true });
}

/**
 * Puts what was paid for look-alikes among the comparables, in place of those that were found before.
 *
 * @param brand what is asked about from now on, where nothing was asked yet
 */
export function putLookAlikes(id: string, alike: readonly Comp[], words: string, brand = ''): void {
  const before = useAttic.getState().research[id];
  const others = (before?.comps ?? []).filter((c) => c.alike === undefined);
  if (!before && alike.length === 0) return;
  put(id, {
    // When marketplaces were asked is not moved by what was found beside.
    at: before && others.length > 0 ? before.at : Date.now(),
    comps: [...alike, ...others].slice(0, 600),
    ...(before ? {} : { words: words.slice(0, 200), brand: brand.slice(0, 120) }),
  });
}

/** A person's word on one record; null gives it back to the rules. */
export function judgeByHand(id: string, comp: Comp, word: 'keep' | 'drop' | null): void {
  const { [compKey(comp)]: _, ...rest } = useAttic.getState().research[id]?.byHand ?? {};
  put(id, { byHand: word ? { ...rest, [compKey(comp)]: word } : rest });
}

export function leaveOutWords(id: string, leftOut: readonly string[]): void {
  put(id, {
    leftOut: leftOut
      .map((w) => w.trim().slice(0, 60))
      .filter(Boolean)
      .slice(0, 40),
  });
}
