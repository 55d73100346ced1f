import type { Wording } from '@/contract/coded';
import {
  flawWords,
  SEVERITY_NAMES,
  wordsForUse,
  type GradeReason,
  type GradeReasonParams,
} from '@/core/condition/grade';

import { worded } from './worded';

const REASONS: Wording<GradeReasonParams> = {
  use: ({ use }) => wordsForUse(use),
  flaw: (flaw) => `${SEVERITY_NAMES[flaw.severity].toLowerCase()}: ${flawWords(flaw)}`,
  // Three or more.
  flawsThatShow: ({ count }) => `${count} flaws that show`,
  broken: () => 'it does not work',
  worksInPart: () => 'it works in part',
  missing: ({ part }) => `missing: ${part}`,
  byHand: ({ why }) => why || 'lowered by hand',
};

/** Why a grade is no better, as it stands in brackets. */
export const gradeReason = (reason: GradeReason): string => worded(REASONS, reason);
