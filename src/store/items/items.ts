import type { MarkdownSteps, Plan, Item } from '@/contract/records';
import { planId, Item as ItemSchema } from '@/contract/records';
import { LIKE_PARTS, type LikePart } from '@/contract/settings';
import { lineFor } from '@/core/hauls/haul';
import { codeFor, numberIn, numberOf } from '@/core/identity/code';
import { withKind } from '@/core/kinds/changeKind';
import type { FactSpec } from '@/core/kinds/spec';
import { factsWith } from '@/core/kinds/values';
import { emptyPlan } from '@/core/stencils/stencils';
import { likeOf } from '@/core/stock/anotherLike';
import { change, newId, newIds, setSettings, useAttic, type Put } from '@/store/attic/attic';

import { kindsNow } from './kinds';
import { nameOf } from './names';

/**
 * The item with some values changed, ready for {@link change}. All others are as they are stored now,
 * whatever the caller still holds: a reading may have come in since the sheet was drawn.
 */
export function itemWith(item: Item, part: Partial<Item>): Put {
  const now = useAttic.getState().items[item.id] ?? item;
  return { collection: 'items', id: item.id, record: { ...now, ...part, updatedAt: Date.now() } };
}

/**
 * A new item with its code, in the haul that is being worked, with what that haul's items begin with. It
 * has its numbers for ever, but is not in the attic yet.
 */
export function newItem(part: Partial<Item> = {}): Item {
  const { settings } = useAttic.getState();
  const item = itemNumbered(settings.nextNumber, newId(), part);
  setSettings({ nextNumber: settings.nextNumber + 1 });
  return item;
}

/**
 * Many new items at once, their numbers in a row. Each keeps a code of its own, where it has one.
 *
 * @param letters the fixed ones of their codes, where these are others than usual
 */
export function newItems(parts: readonly (Partial<Item> & { code?: string })[], letters = ''): Item[] {
  const { settings } = useAttic.getState();
  const ids = newIds(parts.length);
  let next = settings.nextNumber;
  const items = parts.map((part, i) => {
    const number = part.code ? numberIn(settings.codePattern, part.code) : next++;
    // One id for each.
    const item = itemNumbered(number ?? 0, ids[i]!, part, letters);
    return part.code ? { ...item, code: part.code } : item;
  });
  setSettings({ nextNumber: next });
  return items;
}

/** @param number 0: none of its own */
function itemNumbered(number: number, id: string, part: Partial<Item>, letters = ''): Item {
  const { settings, hauls } = useAttic.getState();
  const now = Date.now();
  const haul = settings.haulId ? hauls[settings.haulId] : undefined;
  const lineId = haul ? lineFor(haul, part.lineId ?? settings.lineId) : null;
  const fresh = ItemSchema.parse({
    haulId: haul?.id ?? null,
    lineId,
    // What was bought at a price a piece cost that.
    cost: haul?.lines.find((l) => l.id === lineId)?.each ?? null,
    spot: haul?.defaults.spot ?? '',
    ownerId: haul?.defaults.ownerId ?? null,
    author: settings.author,
    createdAt: now,
    updatedAt: now,
    ...part,
    id: part.id ?? id,
    code: 'new',
    number: number === 0 ? null : number,
  });
  const kind = part.kind ?? haul?.defaults.kind ?? '';
  const item = { ...fresh, ...withKind(fresh, kind, kindsNow()) };
  return number === 0 ? item : { ...item, code: codeNow(item, letters) };
}

/** Brings a new item into the attic. @returns its id */
export function addItem(part: Partial<Item> = {}): string {
  const record = newItem(part);
  change('new item', [{ collection: 'items', id: record.id, record }]);
  return record.id;
}

/** The code an item would get now, by the pattern and what is known of it; with other letters if given. */
export function codeNow(item: Item, letters = ''): string {
  const { settings, hauls } = useAttic.getState();
  const kinds = kindsNow();
  return codeFor(letters === '' ? settings.codePattern : { ...settings.codePattern, letters }, {
    number: numberOf(item) ?? settings.nextNumber,
    haul: item.haulId ? hauls[item.haulId]?.name : '',
    kind: kinds.get(item.kind)?.name,
    describing: [item.facts.brand, item.facts.model].filter(Boolean).join(' '),
    cost: item.cost,
    spot: item.spot,
  });
}

/**
 * Gives an item the code that its parts make now. Its running number stays, so that no code comes twice;
 * where another item has the same code all the same, it gets a number of its own.
 */
export function giveNewCode(id: string): void {
  const { items, settings } = useAttic.getState();
  const item = items[id];
  if (!item) return;
  const known = sharesCode(items, item) ? null : numberOf(item);
  const number = known ?? settings.nextNumber;
  if (known === null) setSettings({ nextNumber: settings.nextNumber + 1 });
  editItem(id, 'code', { code: codeNow({ ...item, number }), number });
}

/** Whether another item has this one's code: so it may be when items were brought back from a copy. */
export function sharesCode(items: Readonly<Record<string, Item>>, { id, code }: Item): boolean {
  for (const other in items) if (other !== id && items[other]?.code === code) return true;
  return false;
}

/**
 * Another of the same, with what is wanted of it; that is kept in mind for the next, pictures aside: whoever
 * wants these copies them.
 *
 * @returns its id; null: there is no such item
 */
export function anotherLike(id: string, parts: readonly LikePart[]): string | null {
  const { items, plans } = useAttic.getState();
  const like = items[id];
  if (!like) return null;
  setSettings({ likeParts: parts.filter((part) => part !== 'pictures') });
  // What the haul at hand would give is not its: all that is not taken along is blank.
  const blank = likeOf({ ...blankItem(like.kind), use: null }, LIKE_PARTS);
  const another = newItem({ ...blank, spot: '', ...likeOf(like, parts) });
  const wanted = parts.includes('wanted')
    ? Object.values(plans).filter((plan) => plan.itemId === id && plan.wanted)
    : [];
  change('another like it', [
    { collection: 'items', id: another.id, record: another },
    ...wanted.map(({ market, category, termsId, stencil }) =>
      planWith(another.id, market, { wanted: true, category, termsId, stencil }),
    ),
  ]);
  return another.id;
}

/** Changes some values of an item; the label says which, for undo. Null changes nothing. */
export function editItem(
  id: string,
  label: string,
  part: Partial<Item> | ((item: Item) => Partial<Item> | null),
): void {
  const item = useAttic.getState().items[id];
  if (!item) return;
  const values = typeof part === 'function' ? part(item) : part;
  if (values) change(label, [itemWith(item, values)]);
}

/** Says what kind it is; what the new kind does not ask for is set aside, what it does comes back. */
export function changeKind(id: string, kind: string): void {
  editItem(id, 'kind', (t) => withKind(t, kind, kindsNow()));
}

/**
 * Stores the answer to a question; empty takes it away. What the question does not take is left as it was.
 */
export function setFact(id: string, spec: FactSpec, typed: string): void {
  editItem(id, spec.label.toLocaleLowerCase('en'), (t) => {
    const done = factsWith(t.facts, spec, typed);
    return done.ok ? { facts: done.facts } : null;
  });
}

/** Items out of the attic with their pictures and plans, ready for {@link change}. */
export function withoutItems(items: readonly Item[]): Put[] {
  const ids = new Set(items.map(({ id }) => id));
  const plans = Object.values(useAttic.getState().plans).filter((p) => ids.has(p.itemId));
  const gone = (collection: 'items' | 'pictures' | 'plans', id: string): Put => ({
    collection,
    id,
    record: null,
  });
  return [
    ...items.flatMap(({ id, pictureIds }) => [
      gone('items', id),
      ...pictureIds.map((p) => gone('pictures', p)),
    ]),
    ...plans.map(({ id }) => gone('plans', id)),
  ];
}

/** Takes an item out of the attic with its pictures and plans. Can be undone. */
export function removeItem(id: string): void {
  const item = useAttic.getState().items[id];
  if (item) change(`${nameOf(item)} removed`, withoutItems([item]), { destructive: true });
}

/**
 * Values of a plan to be set; or what follows from the plan as it stands, which may be newer than what was
 * drawn of it: checks come back from a worker.
 */
export type PlanChange = Partial<Plan> | ((now: Plan) => Partial<Plan>);

/** Changes some values of what is planned for an item on one marketplace. */
export function editPlan(itemId: string, market: string, label: string, part: PlanChange): void {
  change(label, [planWith(itemId, market, part)]);
}

/** What is planned for an item on one marketplace with some values changed, ready for {@link change}. */
export function planWith(itemId: string, market: string, part: PlanChange): Put {
  const id = planId(itemId, market);
  const before = useAttic.getState().plans[id] ?? emptyPlan(itemId, market);
  const set = typeof part === 'function' ? part(before) : part;
  return { collection: 'plans', id, record: { ...before, ...set } };
}

/** Wants it on a marketplace, or no longer. */
export function wantOn(
  itemId: string,
  { marketplace, name }: { marketplace: string; name: string },
  wanted: boolean,
): void {
  editPlan(itemId, marketplace, wanted ? `wanted on ${name}` : `not on ${name}`, { wanted });
}

/** Wants it on several marketplaces, in one change. */
export function wantEverywhere(itemId: string, markets: readonly string[]): void {
  change(
    'where it goes',
    markets.map((market) => planWith(itemId, market, { wanted: true })),
  );
}

/** Remembers an answer to a marketplace's question, so that the next listing is not asked. */
export function rememberAnswer(market: string, question: string, answer: string): void {
  const { remembered } = useAttic.getState().settings;
  setSettings({ remembered: { ...remembered, [market]: { ...remembered[market], [question]: answer } } });
}

/**
 * Own prices on several marketplaces in one change; the dearest stands as the shared one where there is none
 * yet.
 */
export function priceEverywhere(itemId: string, prices: Readonly<Record<string, number>>): void {
  const { items } = useAttic.getState();
  const item = items[itemId];
  if (!item || Object.keys(prices).length === 0) return;
  const shared = item.price ?? Math.max(...Object.values(prices));
  change('prices', [
    itemWith(item, { price: shared }),
    ...Object.entries(prices).map(([market, price]) =>
      planWith(itemId, market, { price: price === shared ? null : price }),
    ),
  ]);
}

/**
 * How an item's price comes down from now on; one that comes down already goes on counting from its first
 * day.
 */
export function comeDown(itemId: string, steps: MarkdownSteps | null): void {
  editItem(itemId, 'coming down', (t) => ({
    markdown: steps && { steps, from: t.markdown?.from ?? Date.now() },
  }));
}

/** An item of which only the kind is known, lightly used; it is not in the attic. */
export function blankItem(kind: string): Item {
  return ItemSchema.parse({
    id: 'blank',
    code: 'blank',
    author: '',
    createdAt: 0,
    updatedAt: 0,
    kind,
    use: 'light',
  });
}
