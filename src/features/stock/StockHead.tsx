import { useRouter } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { SHOWN } from '@/contract/groups';
import { counted } from '@/core/language/plural';
import { isEverything } from '@/core/stock/filter';
import type { SortOrder } from '@/core/stock/search';
import { Chip, ChipRow, Button, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useWide } from '@/theme/theme';

import type { StockState } from './useStock';

const SHOWN_WORDS = {
  all: 'All',
  unlisted: 'Not listed',
  listed: 'Listed',
  refused: 'Refused',
  sold: 'Sold',
  left: 'No longer here',
} as const;

const ORDER_WORDS: readonly [SortOrder, string][] = [
  ['newest', 'Newest first'],
  ['oldest', 'Oldest first'],
  ['title', 'By title'],
  ['spot', 'By spot'],
  ['dearest', 'Dearest first'],
  ['cheapest', 'Cheapest first'],
];

/** What stands over the list: what is looked for, and what was found. */
export function StockHead(props: {
  stock: StockState;
  /** Whether more filters are open, and what opens them. */
  narrowing: boolean;
  onNarrow: () => void;
  /** Between what is looked for and what was found. */
  children?: ReactNode;
  /** In the line of what was found, instead of the order. */
  aside?: ReactNode;
}) {
  const { stock, narrowing, onNarrow, children, aside } = props;
  const { filter, setFilter, handed, total, chosen, choose } = stock;
  const wide = useWide();
  const narrowed = !isEverything({ ...filter, words: '', show: 'all' });
  const search = (
    <Field
      label="Search"
      value={filter.words}
      pause={0}
      maxLength={400}
      onChange={(words) => setFilter({ ...filter, words })}
      placeholder="title, brand, code, spot"
    />
  );
  return (
    <>
      <Head>{wide ? search : null}</Head>
      {wide ? null : search}
      <ChipRow label="Show">
        {SHOWN.map((show) => (
          <Chip key={show} on={filter.show === show} onPress={() => setFilter({ ...filter, show })}>
            {SHOWN_WORDS[show]}
          </Chip>
        ))}
        <Chip role="button" on={narrowed || narrowing} label="More filters" onPress={onNarrow}>
          {narrowed ? 'Filtered' : 'Filter'}
        </Chip>
      </ChipRow>
      {children}
      {handed.ids ? <Notice tone="info">{`Only these are shown: ${handed.why}.`}</Notice> : null}
      {total === 0 ? (
        <NothingYet />
      ) : (
        <Found stock={stock} aside={aside}>
          {chosen ? null : (
            <Button variant="quiet" onPress={() => choose(true)}>
              Select
            </Button>
          )}
        </Found>
      )}
    </>
  );
}

function Head({ children }: { children: ReactNode }) {
  const router = useRouter();
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44, gap: children ? 16 : 0 }}>
      <Text variant="title" style={children ? undefined : { flex: 1 }}>
        Stock
      </Text>
      {children ? <View style={{ flex: 1 }}>{children}</View> : null}
      <Button variant="quiet" icon="send" onPress={() => router.navigate('/crosslist')}>
        Crosslist
      </Button>
      <SignButton
        icon="attic"
        label="The attic: hauls, spots, kinds, codes"
        onPress={() => router.navigate('/attic')}
      />
    </View>
  );
}

function NothingYet() {
  const router = useRouter();
  return (
    <Card>
      <Text variant="heading">Nothing here yet</Text>
      <Text tone="soft">Items come in with their first picture.</Text>
      <Button variant="main" icon="camera" onPress={() => router.navigate('/intake')}>
        Begin with a picture
      </Button>
    </Card>
  );
}

/** How many were found, in which order, and what else stands in that line. */
function Found(props: { stock: StockState; aside: ReactNode; children: ReactNode }) {
  const { stock, aside, children } = props;
  const { order, setOrder, shown } = stock;
  const count = shown.length;
  const [sorting, setSorting] = useState(false);
  return (
    <>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 4 }}>
        <Text tone="soft" figures style={{ flex: 1 }} role="status">
          {count === 0 ? 'Nothing matches.' : counted(count, 'item')}
        </Text>
        {aside ?? (
          <Button variant="quiet" label="Put them in another order" onPress={() => setSorting(!sorting)}>
            {ORDER_WORDS.find(([id]) => id === order)?.[1] ?? 'Order'}
          </Button>
        )}
        {children}
      </View>
      {sorting ? (
        <ChipRow label="Order">
          {ORDER_WORDS.map(([id, words]) => (
            <Chip
              key={id}
              on={order === id}
              onPress={() => {
                setOrder(id);
                setSorting(false);
              }}
            >
              {words}
            </Chip>
          ))}
        </ChipRow>
      ) : null}
    </>
  );
}
