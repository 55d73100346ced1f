import { group } from 'd3-array';

import { planId } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { waivedKey } from '@/core/warnings/waived';
import type { Warning } from '@/core/warnings/warnings';
import { change, useAttic } from '@/store/attic/attic';

import { itemWith, planWith, type PlanChange } from './items';

const warningsIn = ({ length }: readonly Warning[]) => plural(length, 'a warning', `${length} warnings`);

/** Cautions that were looked at and are let be, each with its date. */
export function waive(warnings: readonly Warning[], at: number): void {
  putEach(warnings, `${warningsIn(warnings)} let be`, (keys) => (now) => {
    const known = new Set(now.waived.map((w) => w.key));
    const fresh = keys.filter((key) => !known.has(key));
    return { waived: [...now.waived, ...fresh.map((key) => ({ key, at }))] };
  });
}

/** They count again. */
export function takeBackWaived(warnings: readonly Warning[]): void {
  putEach(warnings, `${warningsIn(warnings)} looked at again`, (keys) => (now) => ({
    waived: now.waived.filter((w) => !keys.includes(w.key)),
  }));
}

/** One value of a marketplace's own for all listings with the same reason. */
export function answerThere(
  warnings: readonly Warning[],
  { by, id }: { by: 'specific' | 'answer'; id: string },
  value: string,
): void {
  const part = by === 'specific' ? 'specifics' : 'answers';
  const many = plural(warnings.length, 'one listing', `${warnings.length} listings`);
  putEach(warnings, `one answer for ${many}`, () => (now) => ({ [part]: { ...now[part], [id]: value } }));
}

/** Does for each what one press does about it where it stands. @param label what that press says */
export function fixAll(warnings: readonly Warning[], label: string): void {
  const { items } = useAttic.getState();
  const puts = [...group(warnings, (w) => w.item)].flatMap(([id, some]) => {
    const item = items[id];
    if (!item) return [];
    const own = some.flatMap(({ market, finding }) =>
      finding?.fix?.plan ? [planWith(id, market, finding.fix.plan)] : [],
    );
    const parts = some.flatMap(({ finding }) => finding?.fix?.item ?? []);
    return parts.length === 0 ? own : [...own, itemWith(item, Object.assign({}, ...parts))];
  });
  if (puts.length > 0) change(`${label}: ${warningsIn(warnings)}`, puts);
}

/** One change of each plan, whatever number of its warnings are among them. @param changed by their keys */
function putEach(
  warnings: readonly Warning[],
  label: string,
  changed: (keys: readonly string[]) => PlanChange,
): void {
  const plans = group(warnings, ({ item, market }) => planId(item, market));
  const puts = [...plans.values()].flatMap((some) => {
    const keys = some.flatMap(({ finding }) => (finding ? [waivedKey(finding)] : []));
    return some.slice(0, 1).map(({ item, market }) => planWith(item, market, changed([...new Set(keys)])));
  });
  if (puts.length > 0) change(label, puts);
}
