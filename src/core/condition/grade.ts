import { NONE, type Coded, type None } from '@/contract/coded';
import { SEVERITIES, USES, type Flaw, type Item } from '@/contract/records';

import type { UseWord } from '../kinds/spec';
import type { KindTree } from '../kinds/tree';

/** Wear, 0 (never used) to 5 (broken). Higher is worse. */
export type Wear = 0 | 1 | 2 | 3 | 4 | 5;

/** Our own condition levels, best first, for how an item is used; the index is the wear. */
const GRADES: Record<UseWord, readonly string[]> = {
  worn: ['Unworn', 'As good as unworn', 'Lightly worn', 'Plainly worn', 'Hard worn', 'For repair'],
  read: ['Unread', 'As good as unread', 'Lightly read', 'Plainly read', 'Much read', 'For repair'],
  played: [
    'Unplayed',
    'As good as unplayed',
    'Lightly played',
    'Plainly played',
    'Much played',
    'For repair',
  ],
  used: ['Unused', 'As good as unused', 'Lightly used', 'Plainly used', 'Hard used', 'For repair'],
};

/** The levels in words that fit the kind of item; best first, the index is the wear. */
export function gradeNames(kind: string, kinds: KindTree): readonly string[] {
  return GRADES[kinds.get(kind)?.useWord ?? 'used'];
}

/** Why a grade is what it is and no better. */
export interface GradeReasonParams {
  use: { use: (typeof USES)[number] };
  flaw: Pick<Flaw, 'type' | 'place' | 'severity'>;
  flawsThatShow: { count: number };
  broken: None;
  worksInPart: None;
  missing: { part: string };
  /** `why` is the person's own; empty where the grade was only lowered. */
  byHand: { why: string };
}
export type GradeReason = Coded<GradeReasonParams>;

export interface Grade {
  wear: Wear;
  because: GradeReason;
}

const USE_WORDS: Record<(typeof USES)[number], string> = {
  unused: 'never used',
  tried: 'tried or used once or twice',
  light: 'lightly used',
  regular: 'used regularly',
  hard: 'used hard',
};
const USE_WEAR: Record<(typeof USES)[number], Wear> = { unused: 0, tried: 1, light: 2, regular: 3, hard: 4 };
const SEVERITY_WEAR: Record<(typeof SEVERITIES)[number], Wear> = {
  slight: 2,
  clear: 3,
  serious: 4,
  broken: 5,
};

export function wordsForUse(use: (typeof USES)[number]): string {
  return USE_WORDS[use];
}

/** Use that a grade which comes from it says in its own words: lightly worn, hard worn, unworn. */
const SAID_BY_GRADE: ReadonlySet<(typeof USES)[number]> = new Set(['unused', 'light', 'hard']);

/** How it was used, where the grade beside it does not say so already. */
export function wordsBesideGrade(item: Pick<Item, 'use'>, grade: Grade | null): string {
  if (!item.use) return '';
  return grade?.because.code === 'use' && SAID_BY_GRADE.has(item.use) ? '' : wordsForUse(item.use);
}

/**
 * The grade that use and flaws allow: the worse of how it was used and its worst flaw, one level
 * lower when three or more flaws are clear or worse. Adding a flaw never improves it.
 *
 * @param use null while the person has not said: no grade yet
 */
export function gradeOf(use: (typeof USES)[number] | null, flaws: readonly Flaw[]): Grade | null {
  if (use === null) return null;
  const worst = flaws.reduce<Flaw | null>(
    (w, f) => (w === null || SEVERITY_WEAR[f.severity] > SEVERITY_WEAR[w.severity] ? f : w),
    null,
  );
  const plain = flaws.filter((f) => f.severity !== 'slight').length;
  const fromUse = USE_WEAR[use];
  const fromFlaws = worst ? SEVERITY_WEAR[worst.severity] : 0;
  // The larger of two wears is one.
  const wear = Math.max(fromUse, fromFlaws) as Wear;
  if (plain >= 3 && wear < 4)
    return { wear: 4, because: { code: 'flawsThatShow', params: { count: plain } } };
  if (!worst || fromFlaws <= fromUse) return { wear, because: { code: 'use', params: { use } } };
  const { type, place, severity } = worst;
  return { wear, because: { code: 'flaw', params: { type, place, severity } } };
}

/** What of an item bears on its grade. */
export type Conditioned = Pick<Item, 'use' | 'flaws' | 'missing' | 'tested' | 'gradeByHand'>;

/**
 * The grade an item has by all that is recorded: use and flaws, a missing part, what trying it out showed;
 * then what the person says. By hand it can always be lower; better only with a reason, and never better than
 * a recorded flaw, a missing part or a failed test allows: those are there, however little it was used.
 */
export function gradeOfItem(item: Conditioned): Grade | null {
  const derived = derivedGrade(item);
  const hand = item.gradeByHand;
  if (!derived || !hand) return derived;
  const why = hand.why.trim();
  const because: GradeReason = { code: 'byHand', params: { why } };
  // The schema lets 0 to 5 through, whole numbers only.
  if (hand.wear >= derived.wear) return { wear: hand.wear as Wear, because };
  // The larger of two wears is one.
  const wear = Math.max(hand.wear, bestByHand(item)) as Wear;
  return why === '' || wear >= derived.wear ? derived : { wear, because };
}

/** The grade from the record alone. */
export function derivedGrade(item: Conditioned): Grade | null {
  const grade = gradeOf(item.use, item.flaws);
  if (!grade) return null;
  if (item.tested === 'broken' && grade.wear < 5)
    return { wear: 5, because: { code: 'broken', params: NONE } };
  if (item.tested === 'partly' && grade.wear < 4)
    return { wear: 4, because: { code: 'worksInPart', params: NONE } };
  const part = item.missing.trim();
  if (part !== '' && grade.wear < 3) return { wear: 3, because: { code: 'missing', params: { part } } };
  return grade;
}

/** The best grade that may be given by hand: as if it had never been used, with all else that is recorded. */
export function bestByHand(item: Conditioned): Wear {
  return derivedGrade({ ...item, use: 'unused' })?.wear ?? 0;
}

/** Better than the record says only with a reason, and no better than what is recorded allows. */
export function mayGrade(item: Conditioned, hand: NonNullable<Item['gradeByHand']>): boolean {
  const derived = derivedGrade(item);
  if (derived === null) return false;
  return hand.wear >= derived.wear || (hand.why.trim() !== '' && hand.wear >= bestByHand(item));
}

/** Why it is graded better than its use says, for buyers to read; empty where it is not. */
export function betterBecause(item: Conditioned): string {
  const [derived, grade] = [derivedGrade(item), gradeOfItem(item)];
  return derived && grade && grade.wear < derived.wear ? (item.gradeByHand?.why.trim() ?? '') : '';
}

export const SEVERITY_NAMES: Record<(typeof SEVERITIES)[number], string> = {
  slight: 'Slight',
  clear: 'Shows',
  serious: 'Serious',
  broken: 'Broken',
};

/** "moth hole, left elbow" */
export function flawWords(flaw: Pick<Flaw, 'type' | 'place'>): string {
  return [flaw.type, flaw.place].filter((part) => part.trim() !== '').join(', ');
}
