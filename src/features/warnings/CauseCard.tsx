import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import type { Cause, Warning } from '@/core/warnings/warnings';
import { goTo } from '@/parts/trade/goTo';
import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useMarketName } from '@/store/courier/useMarketName';
import { nameOf } from '@/store/items/names';
import { waive } from '@/store/items/warnings';
import { findingWords } from '@/wording/check';
import { reasonsWords } from '@/wording/courier';
import { concerned } from '@/wording/warnings';

import { AnswerForAll } from './AnswerForAll';

/** So many are named before more are asked for. */
const FEW = 3;

/** One cause: of how many it is, put right for all of them, or gone through one by one. */
export function CauseCard({ cause }: { cause: Cause }) {
  const { of, finding, sort, market } = cause;
  const [most, setMost] = useState(FEW);
  const name = useMarketName();
  const words = finding ? findingWords(finding) : `${name(market ?? '')} said no.`;
  return (
    <Card label={words} tone={sort === 'caution' ? undefined : 'trouble'}>
      <Text variant="strong">{words}</Text>
      <Text variant="small" tone="soft" figures>
        {concerned(cause)}
      </Text>
      <AnswerForAll cause={cause} />
      <View role="list" aria-label={`Of: ${words}`}>
        {of.slice(0, most).map((warning) => (
          <View key={`${warning.item} ${warning.market}`} role="listitem">
            <Concerned warning={warning} />
          </View>
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        {of.length > most ? (
          <Button variant="quiet" label={`More of: ${words}`} onPress={() => setMost(most + 20)}>
            {`${of.length - most} more`}
          </Button>
        ) : null}
        {sort === 'caution' ? (
          <Button variant="quiet" label={`Let be: ${words}`} onPress={() => waive(of, Date.now())}>
            {of.length === 1 ? 'Let it be' : `Let all ${of.length} be`}
          </Button>
        ) : null}
      </View>
    </Card>
  );
}

/** One listing it is the cause of: leads to where it is put right. */
function Concerned({ warning: { item: id, market, finding } }: { warning: Warning }) {
  const router = useRouter();
  const item = useAttic((s) => s.items[id]);
  const name = useMarketName();
  const said = useCourier((s) =>
    finding ? '' : reasonsWords(s.items[id]?.listings.find((l) => l.market === market)?.reasons ?? []),
  );
  if (!item) return null;
  return (
    <LinkRow
      words={`${item.code} ${nameOf(item)}`}
      more={said === '' ? name(market) : `${name(market)}: ${said}`}
      onPress={() => {
        router.navigate(`/item/${id}`);
        goTo(finding?.field ?? 'category', market);
      }}
    />
  );
}
