import { NONE, type Coded, type None } from '@/contract/coded';
import type { SearchedWord } from '@/contract/comps';
import type { Item, Plan } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { KindTree } from '../kinds/tree';
import { askedFor } from '../listing/asking';
import type { Effective } from '../listing/effective';
import type { Minor } from '../money/money';
import type { Endings } from '../price/askingPrice';
import type { CompsSummary } from '../price/comps';
import { isUntouched, writtenAnew } from '../words/inStep';
import { tagsFor } from '../words/tags';
import { titleParts } from '../words/title';

/** Over what it is written: nothing, what the facts wrote and nobody touched, or a person's own as well. */
export const OVER = ['empty', 'untouched', 'all'] as const;
export type Over = (typeof OVER)[number];

/** Which of the prices that others sold for is taken. */
export const SOLD_AT = ['low', 'typical', 'high'] as const;
export type SoldAt = (typeof SOLD_AT)[number];

/** What is to be written of many items. */
export interface WriteWish {
  titles: boolean;
  descriptions: boolean;
  tags: boolean;
  over: Over;
  price: { by: 'takeHome'; target: Minor } | { by: 'sold'; at: SoldAt } | null;
  /** Prices are written where one stands, too. */
  priceAgain: boolean;
}

/** What is known of one item, to write by. */
export interface WriteMaterial {
  kinds: KindTree;
  /** As the facts make them; the description null where its pattern can't be read. */
  words: { title: string; description: string | null };
  tone: string;
  /** The marketplaces it is wanted on. */
  wanted: readonly { sheet: RuleSheet; effective: Effective; plan: Plan | undefined }[];
  /** What buyers search, by marketplace. */
  sought: Readonly<Record<string, readonly SearchedWord[]>>;
  /** What others sold for, and when that was asked; null: nobody asked. */
  sold: { summary: CompsSummary; at: number } | null;
  endings: Endings;
}

/** Why something is written as it is. */
export interface WriteReasonParams {
  fromFacts: { count: number };
  inTone: { tone: string };
  searchedFirst: { market: string; count: number };
  brings: { amount: Minor };
  soldFor: { at: SoldAt; count: number; sureness: CompsSummary['sure']; askedAt: number };
}
export type WriteReason = Coded<WriteReasonParams>;

/** Why something is left as it is. */
export interface WriteLeftParams {
  kindMissing: None;
  ownWords: None;
  nothingToSay: None;
  hasPrice: None;
  wantedNowhere: None;
  noPriceBrings: { market: string };
  notAsked: None;
  nothingSold: None;
}
export type WriteLeft = Coded<WriteLeftParams>;

export type WriteWhat = 'title' | 'description' | 'tags' | 'price';

export interface WriteLine {
  what: WriteWhat;
  /** The marketplace it is for, by name; empty: shared by all. */
  market: string;
  /** Text as it is read, or an amount in minor units. */
  before: string | Minor | null;
  after: string | Minor;
  why: WriteReason;
}

/** What would be written of one item. */
export interface WritePlan {
  id: string;
  item: Partial<Item>;
  plans: { market: string; part: Partial<Plan> }[];
  lines: WriteLine[];
  left: { what: WriteWhat; why: WriteLeft }[];
}

/** What a wish makes of one item; nothing is changed by it. */
export function writeFor(item: Item, wish: WriteWish, material: WriteMaterial): WritePlan {
  const plan: WritePlan = { id: item.id, item: {}, plans: [], lines: [], left: [] };
  if (wish.titles) writeText(plan, item, 'title', wish.over, material);
  if (wish.descriptions) writeText(plan, item, 'description', wish.over, material);
  if (wish.tags) writeTags(plan, item, wish.over, material);
  if (wish.price && item.price !== null && !wish.priceAgain) leave(plan, 'price', 'hasPrice');
  else if (wish.price?.by === 'takeHome') priceByTakeHome(plan, item, wish.price.target, material);
  else if (wish.price?.by === 'sold') priceBySold(plan, item, wish.price.at, material);
  return plan;
}

function leave(plan: WritePlan, what: WriteWhat, code: Exclude<keyof WriteLeftParams, 'noPriceBrings'>) {
  plan.left.push({ what, why: { code, params: NONE } });
}

function writeText(
  plan: WritePlan,
  item: Item,
  field: 'title' | 'description',
  over: Over,
  { words, tone, kinds }: WriteMaterial,
): void {
  const after = words[field];
  if (item.kind === '') return leave(plan, field, 'kindMissing');
  const isOpen =
    over === 'all' || item[field].trim() === '' || (over === 'untouched' && isUntouched(item, field));
  if (!isOpen) return leave(plan, field, 'ownWords');
  if (!after) return leave(plan, field, 'nothingToSay');
  if (after === item[field]) return;
  const before = { ...item, ...plan.item };
  plan.item = { ...plan.item, ...writtenAnew(before, { [field]: after }) };
  const why: WriteReason =
    field === 'title'
      ? { code: 'fromFacts', params: { count: titleParts(item, kinds).length } }
      : { code: 'inTone', params: { tone } };
  plan.lines.push({ what: field, market: '', before: item[field], after, why });
}

/** Those from the facts, the most searched there first. */
function writeTags(plan: WritePlan, item: Item, over: Over, { wanted, sought, kinds }: WriteMaterial): void {
  if (item.kind === '') return leave(plan, 'tags', 'kindMissing');
  const places = wanted.filter(({ sheet }) => sheet.tags);
  if (places.length === 0) return leave(plan, 'tags', 'wantedNowhere');
  for (const { sheet, effective, plan: own } of places) {
    if (!sheet.tags) continue;
    if (own?.tags && over !== 'all') {
      leave(plan, 'tags', 'ownWords');
      continue;
    }
    const there = sought[sheet.marketplace] ?? [];
    const tags = tagsFor(item, kinds, there, sheet.tags);
    const [before, after] = [effective.tags.join(', '), tags.join(', ')];
    if (after === '' || after === before) continue;
    plan.plans.push({ market: sheet.marketplace, part: { tags } });
    const count = tags.filter((tag) => there.some((s) => s.word.toLocaleLowerCase('en') === tag)).length;
    const why: WriteReason = { code: 'searchedFirst', params: { market: sheet.name, count } };
    plan.lines.push({ what: 'tags', market: sheet.name, before, after, why });
  }
}

/** Each marketplace's own price; the dearest is the shared one. */
function priceByTakeHome(
  plan: WritePlan,
  item: Item,
  target: Minor,
  { wanted, endings }: WriteMaterial,
): void {
  if (wanted.length === 0) return leave(plan, 'price', 'wantedNowhere');
  const asked = askedFor(target, wanted, endings);
  const prices = asked.flatMap(({ price }) => price ?? []);
  for (const { sheet, price } of asked)
    if (price === null)
      plan.left.push({ what: 'price', why: { code: 'noPriceBrings', params: { market: sheet.name } } });
  if (prices.length === 0) return;
  const shared = Math.max(...prices);
  if (shared !== item.price) plan.item = { ...plan.item, price: shared };
  for (const { sheet, price, brings } of asked) {
    const place = wanted.find((w) => w.sheet === sheet);
    if (price === null || brings === null || !place) continue;
    const before = place.plan?.price ?? item.price;
    const own = price === shared ? null : price;
    if (own !== (place.plan?.price ?? null))
      plan.plans.push({ market: sheet.marketplace, part: { price: own } });
    if (before === price) continue;
    const why: WriteReason = { code: 'brings', params: { amount: brings } };
    plan.lines.push({ what: 'price', market: sheet.name, before, after: price, why });
  }
}

/** One price for all marketplaces, from what others like it sold for. */
function priceBySold(plan: WritePlan, item: Item, at: SoldAt, { sold }: WriteMaterial): void {
  if (!sold) return leave(plan, 'price', 'notAsked');
  const { sold: count, sure: sureness } = sold.summary;
  const after = sold.summary[at];
  if (after === null) return leave(plan, 'price', 'nothingSold');
  if (after === item.price) return;
  plan.item = { ...plan.item, price: after };
  const why: WriteReason = { code: 'soldFor', params: { at, count, sureness, askedAt: sold.at } };
  plan.lines.push({ what: 'price', market: '', before: item.price, after, why });
}
