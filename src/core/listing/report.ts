import type { CheckField, Finding, FindingCode, FindingParams, Fix } from './findings';

/** Takes down one finding: where, which and with what. */
type Say = <C extends FindingCode>(field: CheckField, code: C, params: FindingParams[C], fix?: Fix) => void;

/** Where the parts of the check report to. */
export interface Report {
  readonly findings: Finding[];
  /** The marketplace would refuse it. */
  block: Say;
  /** A rule of our own stops it. */
  own: Say;
  caution: Say;
}

export function reporter(): Report {
  const findings: Finding[] = [];
  const say =
    (rest: Pick<Finding, 'level' | 'ours'>): Say =>
    (field, code, params, fix) =>
      // A code and its params came as a pair; that can't be told once they are apart.
      findings.push({ ...rest, field, code, params, ...(fix ? { fix } : {}) } as Finding);
  return {
    findings,
    block: say({ level: 'blocker' }),
    own: say({ level: 'blocker', ours: true }),
    caution: say({ level: 'caution' }),
  };
}
