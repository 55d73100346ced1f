import { endOfISOWeek, startOfISOWeek, startOfMonth, addMonths } from 'date-fns';
import fc from 'fast-check';

import { asFarAs, partsOf, spanAfter, spanAt, spanBefore, UNITS, type Unit } from './period';

const day = (iso: string) => new Date(`${iso}T00:00`).getTime();
const moments = fc.integer({ min: day('2015-01-01'), max: day('2035-01-01') });
const starts = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 28 }))
  .map((two) => two.map((n) => String(n).padStart(2, '0')).join('-'));
const units = fc.constantFrom<Unit>(...UNITS);

it('weeks and months are those of a library for dates, clock changes included', () => {
  fc.assert(
    fc.property(moments, (at) => {
      expect(spanAt('week', at, '01-01')).toEqual({
        from: startOfISOWeek(at).getTime(),
        to: endOfISOWeek(at).getTime() + 1,
      });
      const month = startOfMonth(at);
      expect(spanAt('month', at, '01-01')).toEqual({
        from: month.getTime(),
        to: addMonths(month, 1).getTime(),
      });
    }),
  );
});

it('a tax year begins on its day', () => {
  // In the United Kingdom on 6 April: gov.uk, “Self Assessment tax returns: deadlines” (from memory).
  expect(spanAt('year', day('2026-04-05'), '04-06')).toEqual({
    from: day('2025-04-06'),
    to: day('2026-04-06'),
  });
  expect(spanAt('year', day('2026-04-06'), '04-06')).toEqual({
    from: day('2026-04-06'),
    to: day('2027-04-06'),
  });
  expect(spanAt('year', day('2026-04-06'), '01-01')).toEqual({
    from: day('2026-01-01'),
    to: day('2027-01-01'),
  });
});

it('every moment lies in its span, and spans follow each other without a gap', () => {
  fc.assert(
    fc.property(units, moments, starts, (unit, at, start) => {
      const span = spanAt(unit, at, start);
      expect(span.from).toBeLessThanOrEqual(at);
      expect(span.to).toBeGreaterThan(at);
      expect(spanBefore(unit, span, start).to).toBe(span.from);
      expect(spanAfter(unit, span, start).from).toBe(span.to);
    }),
  );
});

it('parts make up their span', () => {
  fc.assert(
    fc.property(units, moments, starts, (unit, at, start) => {
      const span = spanAt(unit, at, start);
      const parts = partsOf(unit, span);
      expect(parts[0]?.from).toBe(span.from);
      expect(parts.at(-1)?.to).toBe(span.to);
      for (const [i, part] of parts.entries()) expect(part.from).toBe(parts[i - 1]?.to ?? span.from);
      expect(parts.length).toBe(unit === 'week' ? 7 : unit === 'year' ? 12 : new Date(span.to - 1).getDate());
    }),
  );
});

it('what is not over is held against as much of the one before', () => {
  const march = spanAt('month', day('2026-03-10'), '01-01');
  const february = spanBefore('month', march, '01-01');
  const noon = day('2026-03-10') + 43_200_000;
  expect(asFarAs(march, february, noon)).toEqual({ from: february.from, to: day('2026-02-10') + 43_200_000 });
  // The last days of March have no fellow in February.
  expect(asFarAs(march, february, day('2026-03-31'))).toEqual(february);
  expect(asFarAs(march, february, day('2026-06-01'))).toEqual(february);
});
