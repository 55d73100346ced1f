import { Mapping, mappingId } from '@/contract/mapping';
import { RuleSheet } from '@/contract/ruleSheet';

import { SHEET as brackenmoor } from '../../../server/standins/brackenmoor/sheet';
import { SHEET as handbill } from '../../../server/standins/handbill/sheet';
import { SHEET as lanternyard } from '../../../server/standins/lanternyard/sheet';
import { SHEET as nearstile } from '../../../server/standins/nearstile/sheet';
import { SHEET as oldhollow } from '../../../server/standins/oldhollow/sheet';
import { SHEET as quirestack } from '../../../server/standins/quirestack/sheet';
import { SHEET as threadwick } from '../../../server/standins/threadwick/sheet';
import { BUILT_IN } from '../kinds/tree';
import { categoryFor, rankCategories } from './categories';
import { LABELLED } from './labelled';

const SHEETS = [brackenmoor, threadwick, nearstile, oldhollow, quirestack, lanternyard, handbill].map((s) => RuleSheet.parse(s)); // prettier-ignore

const labelOf = (market: string, kind: string) => {
  for (const id of [...(BUILT_IN.get(kind)?.path ?? [])].reverse()) {
    const label = LABELLED[market]?.[id];
    if (label !== undefined) return label;
  }
  return undefined;
};

describe('categories suggested for our kinds', () => {
  const judged = SHEETS.flatMap((sheet) =>
    BUILT_IN.leaves.flatMap((kind) => {
      const label = labelOf(sheet.marketplace, kind.id);
      if (label === undefined) return [];
      const ranked = rankCategories(kind.id, BUILT_IN, sheet).map((r) => r.category.id);
      const suggested = categoryFor(kind.id, BUILT_IN, sheet, [])?.id ?? null;
      return [{ market: sheet.marketplace, kind: kind.id, label, ranked, suggested }];
    }),
  );
  const filed = judged.filter((j) => j.label !== null);
  const share = (hit: (j: (typeof filed)[number]) => boolean, of = filed) =>
    of.filter(hit).length / of.length;

  // Labelled by hand in labelled.ts: common practice.
  it('puts the right one first for 85 in 100, among the first three for 97', () => {
    const first = share((j) => j.ranked[0] === j.label);
    const three = share((j) => j.ranked.slice(0, 3).includes(j.label!));
    process.stdout.write(
      `categories: ${filed.length} labelled pairs, top-1 ${(100 * first).toFixed(1)} %, top-3 ${(100 * three).toFixed(1)} %\n`,
    );
    if (process.env.SHOW_MISSES)
      process.stdout.write(filed.filter((j) => j.ranked[0] !== j.label).map((j) => `${j.market} ${j.kind}: ${j.ranked.slice(0, 3).join(' ')}, not ${j.label}\n`).join('')); // prettier-ignore
    expect(first).toBeGreaterThanOrEqual(0.85);
    expect(three).toBeGreaterThanOrEqual(0.97);
  });

  it('suggests nothing where a marketplace takes nothing of the sort', () => {
    const none = judged.filter((j) => j.label === null);
    expect(none.length).toBeGreaterThan(100);
    if (process.env.SHOW_MISSES)
      process.stdout.write(none.filter((j) => j.suggested).map((j) => `${j.market} ${j.kind}: ${j.suggested}\n`).join('')); // prettier-ignore
    expect(none.filter((j) => j.suggested === null).length / none.length).toBeGreaterThanOrEqual(0.95);
  });

  const chose = (market: string, kind: string, category: string) =>
    Mapping.parse({ id: mappingId(market, kind), market, kind, category });
  it('takes the person’s word for a kind and all below it, and learns from it for kinds beside', () => {
    const moor = SHEETS[0]!;
    const said = [chose('brackenmoor', 'extras', 'wear.knit')];
    expect(categoryFor('scarf', BUILT_IN, moor, said)).toMatchObject({ id: 'wear.knit', confirmed: true });
    const learned = [chose('brackenmoor', 'candlestick', 'house.light')];
    expect(rankCategories('clock', BUILT_IN, moor, learned)[0]).toMatchObject({
      category: { id: 'house.light' },
      why: 'you chose it for things like it',
    });
  });
});
