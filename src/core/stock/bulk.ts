import { MOST_STOCK } from '@/contract/choices';
import { NONE, type Coded, type None, type Refusal } from '@/contract/coded';
import { USES, type Item } from '@/contract/records';

import { groupWords, type Groups } from './groups';
import { inStock, isAlike, severalAlike } from '../choices/choices';
import { wordsForUse } from '../condition/grade';
import { withKind } from '../kinds/changeKind';
import type { KindTree } from '../kinds/tree';
import { answersOf, factsWith, readable, type AnswerTroubleParams } from '../kinds/values';
import { escaped } from '../language/wholeWord';
import {
  formatLength,
  formatWeight,
  parseLength,
  parseWeight,
  type FigureTroubleParams,
  type Units,
} from '../measure/units';
import { formatMoney, parseMoney, shareOf, type MoneyTroubleParams } from '../money/money';
import { sameWord } from '../words/sameWord';

/** What of many items can be changed at once. */
export type Target =
  | 'kind'
  | 'use'
  | 'title'
  | 'description'
  | 'price'
  | 'cost'
  | 'weight'
  | 'quantity'
  | 'spot'
  | 'group'
  | `fact:${string}`
  | `measure:${string}`;

/** What amounts, lengths and names are read and written by. */
export interface Ways {
  kinds: KindTree;
  /** ISO 4217. */
  currency: string;
  units: Units;
  groups: Groups;
}

export type Action =
  | { type: 'set'; value: string }
  /** One more answer where several may stand; words at the end of a text. */
  | { type: 'add'; value: string }
  | { type: 'clear' }
  /** Every place where the words stand, in any case. */
  | { type: 'replace'; find: string; by: string }
  /** A price comes down by a share of it: "15" is 15 %. */
  | { type: 'lower'; value: string };

/** What an answer that was typed does: one that is empty takes away what was said. */
export function typedAction(value: string): Action {
  return value.trim() === '' ? { type: 'clear' } : { type: 'set', value };
}

export interface Changed {
  id: string;
  before: string;
  after: string;
  /** What to put into the record. */
  part: Partial<Item>;
}

export interface BulkPlan {
  changes: Changed[];
  /** Items that can't take it, each with the reason; they stay as they are. */
  refused: { id: string; why: BulkTrouble }[];
  /** Items that are so already. */
  same: number;
}

/** The most characters of a title and of a description. */
const LIMITS = { title: 400, description: 10_000, spot: 60 } as const;

/** What a change of many items would do to each, before it is done. Nothing else of an item is touched. */
export function planBulk(items: readonly Item[], target: Target, action: Action, ways: Ways): BulkPlan {
  const plan: BulkPlan = { changes: [], refused: [], same: 0 };
  for (const item of items) {
    const before = shown(item, target, ways);
    const done = changed(item, target, action, ways);
    if (!done.ok) plan.refused.push({ id: item.id, why: done.why });
    else {
      const after = shown({ ...item, ...done.part }, target, ways);
      if (after === before) plan.same += 1;
      else plan.changes.push({ id: item.id, before, after, part: done.part });
    }
  }
  return plan;
}

/**
 * What an answer common to all would do: only those that have none yet take it.
 *
 * @returns the plan; `same` counts those that keep an answer of their own
 */
export function planShared(items: readonly Item[], target: Target, value: string, ways: Ways): BulkPlan {
  const empty = items.filter((item) => shown(item, target, ways) === '');
  const plan = planBulk(empty, target, { type: 'set', value }, ways);
  return { ...plan, same: plan.same + items.length - empty.length };
}

/** Why an item can't take a change; lengths in characters. */
export interface BulkTroubleParams extends MoneyTroubleParams, FigureTroubleParams, AnswerTroubleParams {
  kindOnlySet: None;
  noSuchKind: None;
  useSetOrCleared: None;
  amountSetOrCleared: None;
  percentUnread: None;
  noPriceYet: None;
  weightSetOrCleared: None;
  quantitySetOrCleared: None;
  quantityUnread: { most: number };
  inVariations: None;
  measureSetOrCleared: None;
  groupNotReplaced: None;
  noSuchGroup: None;
  notForMany: None;
  notMeasured: None;
  notAsked: None;
}
export type BulkTrouble = Coded<BulkTroubleParams>;
export type Done = { ok: true; part: Partial<Item> } | Refusal<BulkTrouble>;

type Plain = Exclude<
  keyof BulkTroubleParams,
  'quantityUnread' | keyof MoneyTroubleParams | keyof FigureTroubleParams | keyof AnswerTroubleParams
>;
const no = (code: Plain): Done => ({ ok: false, why: { code, params: NONE } });

/** What an action makes of one item; nothing else of it is touched. */
export function changed(item: Item, target: Target, action: Action, ways: Ways): Done {
  const { kinds, currency, units } = ways;
  if (target.startsWith('fact:')) return changedFact(item, target.slice(5), action, kinds);
  if (target.startsWith('measure:')) return changedMeasure(item, target.slice(8), action, ways);
  switch (target) {
    case 'kind': {
      if (action.type !== 'set') return no('kindOnlySet');
      const kind = kinds.get(action.value) ?? kinds.all.find((k) => sameWord(k.name, action.value));
      return kind ? { ok: true, part: withKind(item, kind.id, kinds) } : no('noSuchKind');
    }
    case 'use': {
      if (action.type === 'clear') return { ok: true, part: { use: null } };
      const use =
        action.type === 'set'
          ? USES.find((u) => u === action.value || sameWord(wordsForUse(u), action.value))
          : undefined;
      return use ? { ok: true, part: { use } } : no('useSetOrCleared');
    }
    case 'price':
    case 'cost': {
      if (action.type === 'clear') return { ok: true, part: { [target]: null } };
      if (action.type === 'lower' && target === 'price') return lowered(item.price, action.value);
      if (action.type !== 'set') return no('amountSetOrCleared');
      const amount = parseMoney(action.value, currency);
      return amount.ok ? { ok: true, part: { [target]: amount.amount } } : amount;
    }
    case 'weight': {
      if (action.type === 'clear') return { ok: true, part: { weightG: null } };
      if (action.type !== 'set') return no('weightSetOrCleared');
      const weight = parseWeight(action.value, units);
      return weight.ok ? { ok: true, part: { weightG: weight.value } } : weight;
    }
    case 'quantity':
      return changedQuantity(item, action);
    case 'group': {
      if (action.type === 'clear') return { ok: true, part: { groupIds: [] } };
      if (action.type === 'replace') return no('groupNotReplaced');
      if (!ways.groups[action.value]) return no('noSuchGroup');
      const before = action.type === 'add' ? item.groupIds.filter((g) => g !== action.value) : [];
      return { ok: true, part: { groupIds: [...before, action.value] } };
    }
    case 'title':
    case 'description':
    case 'spot': {
      const value = edited(item[target], action, ' ');
      return value.length > LIMITS[target]
        ? { ok: false, why: { code: 'tooLong', params: { length: value.length, most: LIMITS[target] } } }
        : { ok: true, part: { [target]: value } };
    }
    default:
      return no('notForMany');
  }
}

/** How many there are, just alike; one of a kind where nothing is said. */
function changedQuantity(item: Item, action: Action): Done {
  const { choices, code } = item;
  // Each variation has a stock of its own: there is nothing to put in its place.
  if (choices && !isAlike(choices)) return no('inVariations');
  if (action.type === 'clear') return { ok: true, part: { choices: null } };
  if (action.type !== 'set') return no('quantitySetOrCleared');
  const said = action.value.trim();
  const stock = /^\d{1,6}$/u.test(said) ? Number(said) : MOST_STOCK + 1;
  if (stock > MOST_STOCK) return { ok: false, why: { code: 'quantityUnread', params: { most: MOST_STOCK } } };
  return { ok: true, part: { choices: severalAlike(choices, stock, code) } };
}

/** What can come off a price at once, per cent. */
const PERCENT = /^(?:[1-9]|[1-8]\d|90)$/u;

function lowered(price: number | null, percent: string): Done {
  const said = percent.replace(/\s*%$/u, '').trim();
  if (!PERCENT.test(said)) return no('percentUnread');
  if (price === null) return no('noPriceYet');
  return { ok: true, part: { price: price - shareOf(price, Number(said) * 100) } };
}

/** A figure laid out with a tape, for all that is known: it takes the place of one from a picture. */
function changedMeasure(item: Item, id: string, action: Action, { kinds, units }: Ways): Done {
  if (!kinds.measures(item.kind).some((m) => m.id === id)) return no('notMeasured');
  if (action.type !== 'set' && action.type !== 'clear') return no('measureSetOrCleared');
  const { [id]: _, ...measurements } = item.measurements;
  const { [id]: __, ...uncertainty } = item.uncertainty;
  const { [id]: ___, ...measuredBy } = item.measuredBy;
  if (action.type === 'clear') return { ok: true, part: { measurements, uncertainty, measuredBy } };
  const length = parseLength(action.value, units);
  if (!length.ok) return length;
  return {
    ok: true,
    part: {
      measurements: { ...measurements, [id]: length.value },
      uncertainty,
      measuredBy: { ...measuredBy, [id]: 'tape' },
    },
  };
}

function changedFact(item: Item, id: string, action: Action, kinds: KindTree): Done {
  const spec = kinds.fact(item.kind, id);
  if (!spec) return no('notAsked');
  const old = item.facts[id] ?? '';
  const value = spec.several ? severalEdited(old, action) : edited(old, action, ' ');
  const done = factsWith(item.facts, spec, value);
  return done.ok ? { ok: true, part: { facts: done.facts } } : done;
}

/** Several answers are typed with commas between; adding leaves the others. */
function severalEdited(old: string, action: Action): string {
  if (action.type === 'set' || action.type === 'add') {
    const typed = action.value.replaceAll(',', '\n');
    return action.type === 'set' ? typed : [...answersOf(old), typed].join('\n');
  }
  return edited(old, action, ' ');
}

function edited(old: string, action: Action, between: string): string {
  switch (action.type) {
    case 'set':
      return action.value.trim();
    case 'add':
      return [old.trim(), action.value.trim()].filter(Boolean).join(between);
    case 'clear':
      return '';
    case 'lower':
      return old;
    case 'replace': {
      if (action.find === '') return old;
      return old.replace(new RegExp(escaped(action.find), 'giu'), () => action.by);
    }
  }
}

/** What stands there now, as a person reads it; empty where nothing is said. */
export function shown(item: Item, target: Target, { kinds, currency, units, groups }: Ways): string {
  if (target.startsWith('fact:')) return readable(item.facts[target.slice(5)] ?? '');
  if (target.startsWith('measure:')) {
    const mm = item.measurements[target.slice(8)];
    return mm === undefined ? '' : formatLength(mm, units);
  }
  switch (target) {
    case 'kind':
      return kinds.get(item.kind)?.name ?? '';
    case 'use':
      return item.use === null ? '' : wordsForUse(item.use);
    case 'price':
    case 'cost': {
      const amount = item[target];
      return amount === null ? '' : formatMoney(amount, currency);
    }
    case 'weight':
      return item.weightG === null ? '' : formatWeight(item.weightG, units);
    case 'quantity':
      return item.choices === null ? '' : String(inStock(item.choices));
    case 'group':
      return item.groupIds.map((id) => groupWords(groups, id)).join(', ');
    case 'title':
    case 'description':
    case 'spot':
      return item[target];
    default:
      return '';
  }
}
