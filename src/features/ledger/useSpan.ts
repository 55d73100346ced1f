import { startTransition, useMemo, useState } from 'react';

import { asFarAs, spanAfter, spanAt, spanBefore, type Span, type Unit } from '@/core/ledger/period';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';

const DAY = 86_400_000;

/** The time that figures are of, and what they are held against. */
export interface Chosen {
  unit: Unit;
  span: Span;
  /** The one before, as far as this one has come. */
  before: Span;
  /** It is not over. */
  goesOn: boolean;
  /** The day this is (UTC): what ages are reckoned at. What some hours more would change is not seen. */
  day: number;
  setUnit: (unit: Unit) => void;
  earlier: () => void;
  /** Null: there is no later one yet. */
  later: (() => void) | null;
}

/** The week, month or tax year that is looked at: at first this month. */
export function useSpan(): Chosen {
  const start = useAttic((s) => s.settings.taxYear);
  const now = useTime(MINUTE);
  const [unit, setUnit] = useState<Unit>('month');
  // Null: the one that is now, also when the next begins.
  const [at, setAt] = useState<number | null>(null);
  const span = useSame(spanAt(unit, at ?? now, start));
  const before = useSame(asFarAs(span, spanBefore(unit, span, start), now));
  const goesOn = now < span.to;
  return {
    unit,
    span,
    before,
    goesOn,
    day: Math.floor(now / DAY) * DAY,
    // Drawn piece by piece, so that a finger never waits for all of it.
    setUnit: (next) => startTransition(() => setUnit(next)),
    earlier: () => startTransition(() => setAt(spanBefore(unit, span, start).from)),
    later: goesOn
      ? null
      : () => {
          const next = spanAfter(unit, span, start);
          startTransition(() => setAt(now < next.to ? null : next.from));
        },
  };
}

/** The same object as long as it is the same time: what is reckoned of it is not reckoned anew. */
function useSame({ from, to }: Span): Span {
  return useMemo(() => ({ from, to }), [from, to]);
}
