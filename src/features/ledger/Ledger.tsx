import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue } from 'react';

import { listed } from '@/core/language/listed';
import { plural } from '@/core/language/plural';
import { useUnheard } from '@/parts/trade/Calm';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { isNone } from '@/store/attic/attic';
import { useMarketName } from '@/store/courier/useMarketName';
import { useBooks, type Books } from '@/store/ledger/books';

import { ByPart } from './ByPart';
import { Cash } from './Cash';
import { Cohorts } from './Cohorts';
import { EarnsItsKeep } from './EarnsItsKeep';
import { Result } from './Result';
import { SpanPicker } from './SpanPicker';
import { StockByAge } from './StockByAge';
import { useSpan } from './useSpan';

const VIEWS = [
  ['result', 'Result'],
  ['parts', 'By part'],
  ['cash', 'Cash'],
  ['stock', 'In stock'],
  ['keep', 'What earns its keep'],
] as const;
type View = (typeof VIEWS)[number][0];

/** What was earned and by what, what is in stock and for how long, and what earns its keep. */
export function Ledger() {
  const router = useRouter();
  const { view: asked } = useLocalSearchParams<{ view?: string }>();
  const view = VIEWS.find(([id]) => id === asked)?.[0] ?? 'result';
  const shown = useDeferredValue(view);
  // Both drawn piece by piece, so that a finger never waits for all of it.
  const books = useDeferredValue(useBooks());
  const unheard = useUnheard();
  return (
    <Page title="Ledger" maxWidth={1100}>
      <ChipRow label="Show">
        {VIEWS.map(([id, words]) => (
          <Chip key={id} on={id === view} onPress={() => router.setParams({ view: id })}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      {unheard ? <Text tone="soft">{unheard}</Text> : null}
      {books ? <LeftOut of={books.leftOut} /> : null}
      {books ? (
        <Figures books={books} view={shown} heard={unheard === null} />
      ) : (
        <Text tone="soft">The figures are being worked out …</Text>
      )}
      <Card label="More">
        <LinkRow
          words="Payouts"
          more="what marketplaces paid, against what they told"
          onPress={() => router.navigate('/payouts')}
        />
        <LinkRow
          words="Consignors"
          more="what each is owed, and why"
          onPress={() => router.navigate('/owners')}
        />
        <LinkRow
          words="What the courier did"
          more="line by line, and as a file"
          onPress={() => router.navigate('/courier-lines')}
        />
      </Card>
    </Page>
  );
}

/** What the figures do not hold is said before them. */
function LeftOut({ of }: { of: Books['leftOut'] }) {
  const market = useMarketName();
  const said = Object.entries(of).map(
    ([id, count]) => `${plural(count, 'one sale', `${count} sales`)} on ${market(id)}`,
  );
  if (said.length === 0) return null;
  return (
    <Notice tone="caution">
      {`Not in these figures: ${listed(said, 'and')}. What is kept there is not known as long as its rules ` +
        'are not.'}
    </Notice>
  );
}

function Figures({ books, view, heard }: { books: Books; view: View; heard: boolean }) {
  const chosen = useSpan();
  const { day } = chosen;
  if (books.booked.length === 0 && view !== 'stock')
    // What was not heard of, or is not in the books, may have been sold.
    return heard && isNone(books.leftOut) ? <Text tone="soft">Nothing sold yet.</Text> : null;
  switch (view) {
    case 'result':
      return (
        <>
          <SpanPicker chosen={chosen} />
          <Result books={books} chosen={chosen} />
        </>
      );
    case 'parts':
      return (
        <>
          <SpanPicker chosen={chosen} />
          <ByPart books={books} chosen={chosen} />
        </>
      );
    case 'cash':
      return (
        <>
          <SpanPicker chosen={chosen} />
          <Cash books={books} chosen={chosen} />
        </>
      );
    case 'stock':
      return (
        <>
          <StockByAge books={books} day={day} />
          <Cohorts books={books} day={day} />
        </>
      );
    case 'keep':
      return <EarnsItsKeep books={books} day={day} />;
  }
}
