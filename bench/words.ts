import type { Comp } from '@/contract/comps';
import { Picture, Plan, planId, Item } from '@/contract/records';
import { RuleSheet } from '@/contract/ruleSheet';
import { BUILT_IN } from '@/core/kinds/tree';
import { askedFor } from '@/core/listing/asking';
import { effectiveListing } from '@/core/listing/effective';
import { examineListing } from '@/core/listing/examine';
import { plainSetup } from '@/core/listing/setup';
import { judgeComps, summarise, USUAL_LIKENESS } from '@/core/price/comps';
import { describe } from '@/core/words/descriptionFor';
import { TONES } from '@/core/words/pattern';
import { titleFromFacts } from '@/core/words/title';

import { median, tell } from './figure';
import { NO_FAULTS } from '../server/standins/kit/faults';
import { JUDGES } from '../sim/parity/validators';
import { Random } from '../sim/random';

const ITEMS = 1_000;
const COMPS = 5_000;
const ROUNDS = 5;

function items(): Item[] {
  const random = new Random(11);
  return Array.from({ length: ITEMS }, (_, n) => {
    const kind = random.one(BUILT_IN.leaves);
    const facts = Object.fromEntries(
      kind.facts.map((f) => [
        f.id,
        (random.pick(f.choices ?? []) ?? `Vantrell ${random.between(1, 90)}`).slice(0, 400),
      ]),
    );
    return Item.parse({
      id: `t${n}`,
      code: `YA-${n}`,
      author: 'me',
      createdAt: 0,
      updatedAt: 0,
      kind: kind.id,
      facts,
      use: 'regular',
      cost: 600,
      price: random.between(800, 40_000),
      flaws: [
        {
          id: 'f',
          type: 'scuffed',
          place: 'edge',
          severity: 'slight',
          sizeMm: 12,
          pictureId: null,
          pin: null,
        },
      ],
      weightG: 700,
      pictureIds: ['p1', 'p2', 'p3', 'p4'],
      title: 'Vantrell item of the coast',
      description: 'An item of the coast, looked over with care and found sound in all its parts.',
    });
  });
}

function often(work: () => void): number {
  return median(
    Array.from({ length: ROUNDS }, () => {
      const from = performance.now();
      work();
      return performance.now() - from;
    }),
  );
}

/**
 * Titles, descriptions and prices of a thousand items for all marketplaces; comps over five thousand
 * records. In one thread.
 */
export async function benchWords(): Promise<void> {
  const sheets = JUDGES.map((j) => RuleSheet.parse(j.sheet(NO_FAULTS)));
  const all = items();
  const setup = plainSetup();
  const stock: Stock = { all, sheets, setup, pairs: all.length * sheets.length };
  wordsOf(stock);
  askingOf(stock);
  compsOf();
  checkOf(stock);
}

interface Stock {
  all: readonly Item[];
  sheets: readonly RuleSheet[];
  setup: ReturnType<typeof plainSetup>;
  /** Items on marketplaces. */
  pairs: number;
}

function wordsOf({ all, sheets, setup, pairs }: Stock): void {
  tell({
    name: 'words.titlesAndDescriptions',
    value: often(() => {
      for (const item of all) {
        // The first of the tones there are.
        const written = describe(item, TONES[0]!, BUILT_IN, 'metric', 'Posted from Saltreach.');
        const ready = { ...item, description: written.ok ? written.text : '' };
        for (const sheet of sheets) {
          const title = titleFromFacts(item, BUILT_IN, sheet.title.max, sheet.title.counts);
          effectiveListing({ ...ready, title }, undefined, sheet, BUILT_IN, setup);
        }
      }
    }),
    unit: `ms for ${pairs}`,
  });
}

function askingOf({ all, sheets, setup, pairs }: Stock): void {
  const listings = all.map((item) =>
    sheets.map((sheet) => ({
      sheet,
      effective: effectiveListing(item, undefined, sheet, BUILT_IN, setup),
    })),
  );
  tell({
    name: 'prices.asking',
    value: often(() => {
      for (const [i, one] of listings.entries()) askedFor(1_000 + i * 7, one, [0, 50, 95, 99]);
    }),
    unit: `ms for ${pairs}`,
  });
}

function compsOf(): void {
  const random = new Random(5);
  const comps = Array.from({ length: COMPS }, (_, i): Comp => ({
    id: String(i),
    market: 'brackenmoor',
    title: `Kittiwake Mills jumper ${random.pick(['navy', 'for parts', 'cream'])}`,
    brand: 'Kittiwake Mills',
    category: 'wear.knit',
    wear: random.between(0, 4),
    sold: random.chance(0.6),
    price: random.between(500, 9_000),
    listedAt: 0,
    endedAt: random.between(1, 100) * 86_400_000,
  }));
  const like = { ...USUAL_LIKENESS, brand: 'Kittiwake Mills', wear: 2, leftOut: ['for parts'] };
  tell({
    name: 'prices.comps',
    value: often(() => summarise(judgeComps(comps, like, {}, 100 * 86_400_000))),
    unit: `ms for ${COMPS}`,
  });
}

function checkOf({ all, sheets, setup, pairs }: Stock): void {
  const picture = (id: string) =>
    Picture.parse({
      id,
      itemId: 't',
      origin: 'file',
      author: 'me',
      addedAt: 0,
      width: 1_500,
      height: 1_500,
      bytes: 9,
    });
  const shown = new Map(['p1', 'p2', 'p3', 'p4'].map((id) => [id, picture(id)]));
  const plans = new Map(
    all.flatMap((t) =>
      sheets.map((s) => [
        planId(t.id, s.marketplace),
        Plan.parse({
          id: planId(t.id, s.marketplace),
          itemId: t.id,
          market: s.marketplace,
          wanted: true,
        }),
      ]),
    ),
  );
  tell({
    name: 'check.core',
    value: often(() => {
      for (const item of all)
        for (const sheet of sheets)
          examineListing(
            item,
            plans.get(planId(item.id, sheet.marketplace)),
            sheet,
            (id) => shown.get(id),
            BUILT_IN,
            setup,
          );
    }),
    unit: `ms for ${pairs}`,
  });
}
