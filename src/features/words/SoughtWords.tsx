import { useMemo, useState } from 'react';
import { View } from 'react-native';

import type { Sought } from '@/contract/comps';
import type { Thing } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { soughtWords } from '@/core/words/soughtWords';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useCourier } from '@/store/courierLink';

/** Words shown before "more of them". */
const FEW = 12;

/** What buyers search in things of this kind, marketplace by marketplace, and where each word stands already. */
export function SoughtWords(props: {
  thing: Thing;
  markets: Readonly<Record<string, readonly Sought[]>>;
  examined: readonly Examined[];
}) {
  const { thing, markets, examined } = props;
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
    return soughtWords(markets, [
      { name: 'title', text: thing.title },
      { name: 'description', text: thing.description },
      ...own,
    ]);
  }, [most, markets, thing.title, thing.description, examined]);
  if (Object.keys(markets).length === 0) return null;
  const nameOf = (market: string) => sheets.find((s) => s.marketplace === market)?.name ?? market;
  return (
    <View style={{ gap: 4 }}>
      <Press kind="quiet" onPress={() => setMost(most === 0 ? FEW : 0)}>
        {most === 0 ? 'What do buyers search?' : 'Put away what buyers search'}
      </Press>
      {most > 0 ? (
        <View role="list" aria-label="What buyers search" style={{ gap: 4 }}>
          {ranked.slice(0, most).map((w) => (
            <View key={w.word} role="listitem">
              <Words kind="strong" tone={w.usedIn.length > 0 ? 'ink' : 'soft'}>
                {`${w.word}: ${w.usedIn.length > 0 ? `in the ${w.usedIn.join(', ')}` : 'nowhere yet'}`}
              </Words>
              <Words kind="small" tone="soft" figures>
                {Object.entries(w.counts)
                  .map(([market, count]) => `${nameOf(market)} ${count}`)
                  .join(' · ')}
              </Words>
            </View>
          ))}
        </View>
      ) : null}
      {most > 0 && most < ranked.length ? (
        <Press kind="quiet" onPress={() => setMost(most + 30)}>
          More of these words
        </Press>
      ) : null}
    </View>
  );
}
