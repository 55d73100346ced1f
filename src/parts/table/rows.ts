import { useCallback, useMemo, useState } from 'react';

import { keysOf } from '@/contract/fields';
import type { Item } from '@/contract/records';
import { planBulk, typedAction, type BulkPlan, type Target, type Ways } from '@/core/stock/bulk';
import { cellText } from '@/core/stock/questions';
import { applyBulk } from '@/store/items/bulk';
import { typedTrouble } from '@/wording/typed';

/** One item in a table. Its texts are asked for when a cell is drawn: most never are. */
export interface Row {
  id: string;
  item: Item;
  ways: Ways;
  /** What was typed or pasted and is not kept, or not yet; by the question's target. */
  typed: Readonly<Partial<Record<Target, string>>>;
  /** Targets whose text could not be kept. */
  refused: readonly string[];
}

/** What stands in a cell. */
export function textOf(row: Row, target: Target): string {
  return row.typed[target] ?? cellText(row.item, target, row.ways);
}

/** The row with another text in one cell. */
export function withCell(row: Row, target: Target, text: string): Row {
  return { ...row, typed: { ...row.typed, [target]: text } };
}

export interface Slip {
  code: string;
  label: string;
  text: string;
  why: string;
}

const NOTHING: Row['typed'] = {};

/** The rows as they stand in the records; what could not be kept stays to be seen, with the reason. */
export function useRows(list: readonly Item[], labels: Readonly<Record<string, string>>, ways: Ways) {
  const [refused, setRefused] = useState<Readonly<Record<string, Slip>>>({});
  const rows = useMemo(() => list.map((item) => rowOf(item, ways, refused)), [list, ways, refused]);
  const put = useCallback(
    (next: Row[]) => {
      const slips: Record<string, Slip> = { ...refused };
      const plan: BulkPlan = { changes: [], refused: [], same: 0 };
      next.forEach((row, i) => {
        const before = rows[i];
        if (before && before !== row && before.id === row.id) planRow({ row, before, labels, slips, plan });
      });
      setRefused(slips);
      void applyBulk('table', plan, { quietly: plan.changes.length < 2 });
    },
    [rows, labels, refused],
  );
  return { rows, refused, put };
}

function rowOf(item: Item, ways: Ways, slips: Readonly<Record<string, Slip>>): Row {
  const refused = Object.keys(slips).flatMap((key) =>
    key.startsWith(`${item.id} `) ? key.slice(item.id.length + 1) : [],
  );
  const typed =
    refused.length === 0
      ? NOTHING
      : Object.fromEntries(refused.map((target) => [target, slips[`${item.id} ${target}`]?.text ?? '']));
  return { id: item.id, item, ways, typed, refused };
}

/** What was written in a row, each cell by the rules of a change of many; else it becomes a slip. */
function planRow(of: {
  row: Row;
  before: Row;
  labels: Readonly<Record<string, string>>;
  slips: Record<string, Slip>;
  plan: BulkPlan;
}): void {
  const { row, before, labels, slips, plan } = of;
  let now = row.item;
  for (const target of keysOf(row.typed)) {
    const text = row.typed[target] ?? '';
    if (text === textOf(before, target)) continue;
    const key = `${row.id} ${target}`;
    delete slips[key];
    const one = planBulk([now], target, typedAction(text), row.ways);
    const no = one.refused[0];
    if (no) slips[key] = { code: now.code, label: labels[target] ?? target, text, why: typedTrouble(no.why) };
    const done = one.changes[0];
    if (!done) continue;
    now = { ...now, ...done.part };
    // One part an item: several cells of a row may have been pasted at once.
    const earlier = plan.changes.find((ch) => ch.id === row.id);
    if (earlier) Object.assign(earlier.part, done.part);
    else plan.changes.push(done);
  }
}
