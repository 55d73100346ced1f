import { USES, type Thing } from '@/contract/records';

import { withKind } from '../kinds/changeKind';
import type { KindTree } from '../kinds/tree';
import { answersOf, factsWith, readable } from '../kinds/values';
import { formatMoney, parseMoney } from '../money/money';
import { escaped } from '../words/wholeWord';

/** What of many things can be changed at once. */
export type Target = 'kind' | 'use' | 'title' | 'description' | 'price' | 'cost' | 'spot' | `fact:${string}`;

export type Action =
  | { do: 'set'; value: string }
  /** One more answer where several may stand; words at the end of a text. */
  | { do: 'add'; value: string }
  | { do: 'clear' }
  /** Every place where the words stand, in any case. */
  | { do: 'replace'; find: string; by: string };

export interface Changed {
  id: string;
  before: string;
  after: string;
  /** What to put into the record. */
  part: Partial<Thing>;
}

export interface BulkPlan {
  changes: Changed[];
  /** Things that can't take it, each with the reason; they stay as they are. */
  refused: { id: string; why: string }[];
  /** Things that are so already. */
  same: number;
}

/** The most characters of a title and of a description. */
const LIMITS = { title: 400, description: 10_000, spot: 60 } as const;

/** What a change of many things would do to each, before it is done. Nothing else of a thing is touched. */
export function planBulk(
  things: readonly Thing[],
  target: Target,
  action: Action,
  kinds: KindTree,
  currency: string,
): BulkPlan {
  const plan: BulkPlan = { changes: [], refused: [], same: 0 };
  for (const thing of things) {
    const before = shown(thing, target, kinds, currency);
    const done = changed(thing, target, action, kinds, currency);
    if (!done.ok) plan.refused.push({ id: thing.id, why: done.why });
    else {
      const after = shown({ ...thing, ...done.part }, target, kinds, currency);
      if (after === before) plan.same += 1;
      else plan.changes.push({ id: thing.id, before, after, part: done.part });
    }
  }
  return plan;
}

type Done = { ok: true; part: Partial<Thing> } | { ok: false; why: string };

function changed(thing: Thing, target: Target, action: Action, kinds: KindTree, currency: string): Done {
  if (target.startsWith('fact:')) return changedFact(thing, target.slice(5), action, kinds);
  switch (target) {
    case 'kind':
      if (action.do !== 'set') return { ok: false, why: 'A kind can only be set.' };
      return kinds.get(action.value)
        ? { ok: true, part: withKind(thing, action.value, kinds) }
        : { ok: false, why: 'There is no such kind.' };
    case 'use': {
      if (action.do === 'clear') return { ok: true, part: { use: null } };
      const use = action.do === 'set' ? USES.find((u) => u === action.value) : undefined;
      return use ? { ok: true, part: { use } } : { ok: false, why: 'Use can be set or cleared.' };
    }
    case 'price':
    case 'cost': {
      if (action.do === 'clear') return { ok: true, part: { [target]: null } };
      if (action.do !== 'set') return { ok: false, why: 'An amount can be set or cleared.' };
      const amount = parseMoney(action.value, currency);
      return amount.ok ? { ok: true, part: { [target]: amount.amount } } : amount;
    }
    case 'title':
    case 'description':
    case 'spot': {
      const value = edited(thing[target], action, ' ');
      return value.length > LIMITS[target]
        ? { ok: false, why: `It would be ${value.length} characters long; ${LIMITS[target]} fit.` }
        : { ok: true, part: { [target]: value } };
    }
    default:
      return { ok: false, why: 'That can’t be changed for many at once.' };
  }
}

function changedFact(thing: Thing, id: string, action: Action, kinds: KindTree): Done {
  const spec = kinds.fact(thing.kind, id);
  if (!spec) return { ok: false, why: 'Its kind is not asked this.' };
  const old = thing.facts[id] ?? '';
  const value =
    action.do === 'add' && spec.several
      ? [...answersOf(old), action.value].join('\n')
      : edited(old, action, ' ');
  const done = factsWith(thing.facts, spec, value);
  return done.ok ? { ok: true, part: { facts: done.facts } } : done;
}

function edited(old: string, action: Action, between: string): string {
  switch (action.do) {
    case 'set':
      return action.value.trim();
    case 'add':
      return [old.trim(), action.value.trim()].filter(Boolean).join(between);
    case 'clear':
      return '';
    case 'replace': {
      if (action.find === '') return old;
      return old.replace(new RegExp(escaped(action.find), 'giu'), () => action.by);
    }
  }
}

function shown(thing: Thing, target: Target, kinds: KindTree, currency: string): string {
  if (target.startsWith('fact:')) return readable(thing.facts[target.slice(5)] ?? '');
  switch (target) {
    case 'kind':
      return kinds.get(thing.kind)?.name ?? '';
    case 'use':
      return thing.use ?? '';
    case 'price':
    case 'cost': {
      const amount = thing[target];
      return amount === null ? '' : formatMoney(amount, currency);
    }
    case 'title':
    case 'description':
    case 'spot':
      return thing[target];
    default:
      return '';
  }
}
