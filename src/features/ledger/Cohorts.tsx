import { useMemo } from 'react';

import { AGES, cohorts, type Cohort } from '@/core/ledger/parts';
import { Bars } from '@/parts/figures/Bars';
import { columnsIn, percent } from '@/parts/figures/columns';
import { Drawn } from '@/parts/figures/Drawn';
import { Card } from '@/parts/ui/Page';
import { useAttic } from '@/store/attic/attic';
import type { Books } from '@/store/ledger/books';

/** As many months back as are drawn. */
const MONTHS = 12;
/** The age that is drawn, by its place among all. */
const DRAWN = AGES.indexOf(60);

// Made once each: making one is dearer than writing a hundred months with it.
const MONTH_WORDS = {
  long: new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' }),
  narrow: new Intl.DateTimeFormat('en-GB', { month: 'narrow' }),
};
const monthWords = (at: number, how: 'long' | 'narrow') => MONTH_WORDS[how].format(at);

/** Of what came in in one month, how much was sold after so many days. */
export function Cohorts({ books, day }: { books: Books; day: number }) {
  const currency = useAttic((s) => s.settings.currency);
  const rows = useMemo(() => cohorts(books.stays, day).slice(-MONTHS), [books, day]);
  const column = columnsIn<Cohort>(currency);
  const columns = [
    column.words('month', 'Came in', (r) => monthWords(r.from, 'long')),
    column.count('items', 'Items', (r) => r.items),
    ...AGES.map((age, i) => column.share(`by${age}`, `Sold by day ${age}`, (r) => r.byAge[i] ?? null)),
  ];
  return (
    <Card label="Sold by age">
      <Drawn
        title="Sold by age"
        words={
          `Of what came in in each month, the share sold by day ${AGES[DRAWN]}. What has not been here for ` +
          'so long is not counted as unsold (Kaplan–Meier); where nothing has, nothing is drawn.'
        }
        file="sold-by-age"
        columns={columns}
        rows={rows}
        keyOf={(r) => String(r.from)}
      >
        <Bars
          label={`Sold by day ${AGES[DRAWN]}`}
          say={percent}
          bars={rows.map((r) => ({
            key: String(r.from),
            name: `${monthWords(r.from, 'long')}, ${r.items} came in`,
            short: monthWords(r.from, 'narrow'),
            value: r.byAge[DRAWN] ?? 0,
          }))}
        />
      </Drawn>
    </Card>
  );
}
