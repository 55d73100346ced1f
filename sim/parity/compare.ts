import type { ListingDraft } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';
import { RuleSheet as Sheet } from '@/contract/ruleSheet';
import { choicesShown } from '@/core/choices/shown';
import { BUILT_IN } from '@/core/kinds/tree';
import { looseDraft } from '@/core/listing/draft';
import { cellOf, hasBlockers, examineListing, type Examined } from '@/core/listing/examine';
import { plainSetup } from '@/core/listing/setup';
import { twinsAmong, type MarketCell } from '@/core/listing/twins';

import { makeCase } from './generate';
import { JUDGES, type Judge, type Sent } from './validators';
import { NO_FAULTS, type Switches } from '../../server/standins/kit/faults';

export interface Disagreement {
  market: string;
  seed: number;
  /** `missed`: the check let through what is refused; `needless`: it stopped what would be taken. */
  sort: 'missed' | 'needless';
  /** The rule: the marketplace's words, or the check's. */
  rule: string;
}

export interface Parity {
  listings: number;
  accepted: number;
  refused: number;
  /** Two that were called ready and are sent together; of how many the second is refused. */
  pairs: number;
  twins: number;
  disagreements: Disagreement[];
}

const DAYS: readonly Partial<Switches>[] = [
  {},
  {},
  { fewerPictures: true, rulesVersion: 2 },
  { asksOrigin: true, rulesVersion: 3 },
];

/**
 * Compares the check with every marketplace's own validator over generated listings; the same seeds, the same
 * listings.
 */
export function compare(seeds: number, from = 1): Parity {
  const found: Parity = { listings: 0, accepted: 0, refused: 0, pairs: 0, twins: 0, disagreements: [] };
  const setup = plainSetup();
  const sheets = new Map<string, RuleSheet>();
  for (let seed = from; seed < from + seeds; seed += 1)
    for (const judge of JUDGES) {
      const day = seed % DAYS.length;
      const switches: Switches = { ...NO_FAULTS, ...DAYS[day] };
      const key = `${judge.id} ${day}`;
      const sheet = sheets.get(key) ?? Sheet.parse(judge.sheet(switches));
      sheets.set(key, sheet);
      const { item, plan, pictures, terms } = makeCase(sheet, seed * 31 + JUDGES.indexOf(judge));
      const examined = examineListing(
        item,
        plan,
        sheet,
        (id) => pictures.find((p) => p.id === id),
        BUILT_IN,
        { ...setup, terms },
      );
      const refusals = judge.against(arriving(examined), sentPictures(examined), switches);
      found.listings += 1;
      if (refusals.length > 0) found.refused += 1;
      else found.accepted += 1;
      found.disagreements.push(...disagree(judge, seed, examined, refusals));
      if (refusals.length > 0 || hasBlockers(examined)) continue;
      // Another item of ours, sent together with it: alike, nearly alike, or not at all.
      const other = examineListing(
        { ...item, id: 'u', code: 'YA-0002', ...likeIt(examined, seed) },
        plan && { ...plan, title: null },
        sheet,
        (id) => pictures.find((p) => p.id === id),
        BUILT_IN,
        { ...setup, terms },
      );
      if (!hasBlockers(other)) found.disagreements.push(...twinTrouble(judge, seed, examined, other, found));
    }
  return found;
}

function disagree(
  judge: Judge,
  seed: number,
  examined: Examined,
  refusals: readonly string[],
): Disagreement[] {
  const at = { market: judge.id, seed };
  if (refusals.length > 0)
    return hasBlockers(examined) ? [] : [{ ...at, sort: 'missed', rule: refusals.join(' | ') }];
  // Our own rules may stop more; the others have to have a reason there.
  return examined.findings
    .filter((f) => f.level === 'blocker' && !f.ours)
    .map((f) => ({ ...at, sort: 'needless', rule: `${f.field}: ${f.code} ${JSON.stringify(f.params)}` }));
}

const LIKE: readonly ((title: string, price: number) => { title: string; price: number })[] = [
  (title, price) => ({ title, price }),
  (title, price) => ({ title: ` ${title.toUpperCase()} `, price }),
  (title, price) => ({ title, price: price + 1 }),
  (title, price) => ({ title: `${title.slice(0, 20)} II`, price }),
];

function likeIt({ effective }: Examined, seed: number): { title: string; price: number } {
  // Within the list, by the remainder.
  return LIKE[seed % LIKE.length]!(effective.title, effective.price ?? 0);
}

/** Both were called ready: whether they would be called so together, and whether both would be taken. */
function twinTrouble(judge: Judge, seed: number, a: Examined, b: Examined, found: Parity): Disagreement[] {
  const cells = [a, b].map((e, i): MarketCell => ({
    item: `${i}`,
    market: judge.id,
    deed: 'send',
    live: false,
    check: cellOf(e, null),
  }));
  const keptBack = twinsAmong(cells).size > 0;
  const refused = judge.twins?.(arriving(a), arriving(b)) ?? false;
  found.pairs += 1;
  if (refused) found.twins += 1;
  if (keptBack === refused) return [];
  return [
    {
      market: judge.id,
      seed,
      sort: refused ? 'missed' : 'needless',
      rule: `two sent together: ${a.effective.title}`,
    },
  ];
}

/** What would arrive: the courier sends of choices what is shown of them. */
function arriving({ effective, sheet }: Examined): ListingDraft {
  const draft = looseDraft(effective, sheet);
  return draft.choices ? { ...draft, choices: choicesShown(draft.choices) } : draft;
}

/** Renditions as they would be made: no larger than asked for, square where that is asked for. */
function sentPictures({ media, sheet }: Examined): Sent[] {
  const { maxLongSide, shape } = sheet.photos;
  return media.pictures.map(({ width, height }) => {
    const long = Math.min(maxLongSide, Math.max(width, height));
    const scale = long / Math.max(width, height);
    return shape === 'square'
      ? { width: long, height: long, bytes: 100_000 }
      : { width: Math.round(width * scale), height: Math.round(height * scale), bytes: 100_000 };
  });
}
