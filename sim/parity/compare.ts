import type { ListingDraft } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';
import { choicesShown } from '@/core/courier/pieces';
import { BUILT_IN } from '@/core/kinds/tree';
import { hasBlockers, examineListing, type Examined } from '@/core/listing/examine';
import { plainSetup } from '@/core/listing/setup';

import { NO_FAULTS, type Switches } from '../../server/standins/kit/faults';
import { RuleSheet as Sheet } from '@/contract/ruleSheet';
import { makeCase } from './generate';
import { JUDGES, type Judge, type Sent } from './validators';

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
  disagreements: Disagreement[];
}

const DAYS: readonly Partial<Switches>[] = [
  {},
  {},
  { fewerPictures: true, rulesVersion: 2 },
  { asksOrigin: true, rulesVersion: 3 },
];

/** Compares the check with every marketplace's own validator over generated listings; the same seeds, the same listings. */
export function compare(seeds: number, from = 1): Parity {
  const found: Parity = { listings: 0, accepted: 0, refused: 0, disagreements: [] };
  const setup = plainSetup();
  const sheets = new Map<string, RuleSheet>();
  for (let seed = from; seed < from + seeds; seed += 1)
    for (const judge of JUDGES) {
      const day = seed % DAYS.length;
      const switches: Switches = { ...NO_FAULTS, ...DAYS[day] };
      const key = `${judge.id} ${day}`;
      const sheet = sheets.get(key) ?? Sheet.parse(judge.sheet(switches));
      sheets.set(key, sheet);
      const { thing, plan, pictures, terms } = makeCase(sheet, seed * 31 + JUDGES.indexOf(judge));
      const examined = examineListing(
        thing,
        plan,
        sheet,
        (id) => pictures.find((p) => p.id === id),
        BUILT_IN,
        { ...setup, terms },
      );
      const refusals = judge.against(looseDraft(examined), sentPictures(examined), switches);
      found.listings += 1;
      if (refusals.length > 0) found.refused += 1;
      else found.accepted += 1;
      found.disagreements.push(...disagree(judge, seed, examined, refusals));
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
    .map((f) => ({ ...at, sort: 'needless', rule: `${f.field}: ${f.message}` }));
}

/** What would be sent, also where the check says it can't be: what is missing is left empty. */
function looseDraft({ effective, sheet }: Examined): ListingDraft {
  return {
    title: effective.title, description: effective.text, price: effective.price ?? 0, currency: sheet.currency, postage: effective.postage ?? 0,
    category: effective.categoryId ?? '', condition: effective.condition?.code ?? '', specifics: effective.specifics, answers: effective.answers,
    pictures: [], clip: null, tags: effective.tags, auction: effective.auction, search: effective.search, terms: effective.sentTerms, paid: effective.paid, ...(effective.choices ? { choices: choicesShown(effective.choices) } : {}),
  };
} // prettier-ignore

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
