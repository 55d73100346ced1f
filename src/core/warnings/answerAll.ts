import type { Item } from '@/contract/records';

import type { Cause, Warning } from './warnings';
import { factOf } from '../mapping/values';
import { planShared, type BulkPlan, type Ways } from '../stock/bulk';

/** What one value does for everything that has the same cause. */
export interface AnswerAll {
  /** A fact, where the item says none yet: every marketplace that asks for it is answered. */
  facts: BulkPlan;
  /** The rest, which say something else or are of a kind not asked it: by the marketplace's own field. */
  there: Warning[];
}

/** @param id the field's */
export function answerAll(
  { of }: Pick<Cause, 'of'>,
  id: string,
  value: string,
  items: Readonly<Record<string, Item>>,
  ways: Ways,
): AnswerAll {
  const list = [...new Set(of.map((w) => w.item))].flatMap((item) => items[item] ?? []);
  const facts = planShared(list, `fact:${factOf(id)}`, value, ways);
  const answered = new Set(facts.changes.map((c) => c.id));
  return { facts, there: of.filter((w) => !answered.has(w.item)) };
}
