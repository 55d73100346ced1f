import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { SearchedWord } from '@/contract/comps';
import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { rankSearchDemand } from '@/core/words/searchDemand';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';

/** Words shown before "more of them". */
const FEW = 12;

/**
 * What buyers search in items of this kind, marketplace by marketplace, and where each word stands already.
 */
export function SearchDemand(props: {
  item: Item;
  markets: Readonly<Record<string, readonly SearchedWord[]>>;
  examined: readonly Examined[];
}) {
  const { item, markets, examined } = props;
  const sheets = useCourier((s) => s.sheets);
  const [most, setMost] = useState(0);
  const ranked = useMemo(() => {
    if (most === 0) return [];
    const own = examined.flatMap((e) => [
      ...(e.plan?.title ? [{ name: `title on ${e.sheet.name}`, text: e.plan.title }] : []),
      ...(e.effective.tags.length > 0
        ? [{ name: `tags on ${e.sheet.name}`, text: e.effective.tags.join('\n') }]
        : []),
    ]);
    return rankSearchDemand(markets, [
      { name: 'title', text: item.title },
      { name: 'description', text: item.description },
      ...own,
    ]);
  }, [most, markets, item.title, item.description, examined]);
  if (Object.keys(markets).length === 0) return null;
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  return (
    <View style={{ gap: 4 }}>
      <Button variant="quiet" onPress={() => setMost(most === 0 ? FEW : 0)}>
        {most === 0 ? 'What do buyers search?' : 'Put away what buyers search'}
      </Button>
      {most > 0 ? (
        <View role="list" aria-label="What buyers search" style={{ gap: 4 }}>
          {ranked.slice(0, most).map((w) => (
            <View key={w.word} role="listitem">
              <Text variant="strong" tone={w.usedIn.length > 0 ? 'ink' : 'soft'}>
                {`${w.word}: ${w.usedIn.length > 0 ? `in the ${w.usedIn.join(', ')}` : 'nowhere yet'}`}
              </Text>
              <Text variant="small" tone="soft" figures>
                {Object.entries(w.counts)
                  .map(([market, count]) => `${nameOf(market)} ${count}`)
                  .join(' · ')}
              </Text>
            </View>
          ))}
        </View>
      ) : null}
      {most > 0 && most < ranked.length ? (
        <Button variant="quiet" onPress={() => setMost(most + 30)}>
          More of these words
        </Button>
      ) : null}
    </View>
  );
}
