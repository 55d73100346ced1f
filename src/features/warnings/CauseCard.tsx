import { group } from 'd3-array';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { listed } from '@/core/language/listed';
import type { Cause, Warning } from '@/core/warnings/warnings';
import { goTo } from '@/parts/trade/goTo';
import { PictureView } from '@/parts/trade/PictureView';
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
import { causeWords, concerned } from '@/wording/warnings';

import { AnswerForAll } from './AnswerForAll';

/** So many are named before more are asked for. */
const FEW = 3;

/** One cause: of how many it is, put right for all of them, or gone through one by one. */
export function CauseCard({ cause }: { cause: Cause }) {
  const { of, sort } = cause;
  const [most, setMost] = useState(FEW);
  const name = useMarketName();
  const words = causeWords(cause, name);
  const items = [...group(of, (w) => w.item).values()];
  return (
    <Card label={words} tone={sort === 'caution' ? undefined : 'trouble'}>
      <Text variant="strong">{words}</Text>
      <Text variant="small" tone="soft" figures>
        {concerned(cause)}
      </Text>
      <AnswerForAll cause={cause} />
      <View role="list" aria-label={`Of: ${words}`} style={{ gap: 8 }}>
        {items.slice(0, most).map((some) => (
          <View key={some[0]?.item} role="listitem">
            <Concerned warnings={some} heading={words} />
          </View>
        ))}
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
        {items.length > most ? (
          <Button variant="quiet" label={`More of: ${words}`} onPress={() => setMost(most + 20)}>
            {`${items.length - most} more`}
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

/** One item it is the cause of, with where: leads to where it is put right. */
function Concerned({ warnings, heading }: { warnings: readonly Warning[]; heading: string }) {
  const router = useRouter();
  const [first] = warnings;
  const item = useAttic((s) => s.items[first?.item ?? '']);
  const name = useMarketName();
  const said = useCourier((s) => {
    if (!first) return '';
    const own = first.finding ? findingWords(first.finding) : '';
    // What all have in common stands above them.
    if (first.finding) return own === heading || first.finding.code === 'specificMissing' ? '' : own;
    const listing = s.items[first.item]?.listings.find((l) => l.market === first.market);
    return reasonsWords(listing?.reasons ?? []);
  });
  if (!item || !first) return null;
  const where = listed(
    warnings.map((w) => name(w.market)),
    'and',
  );
  return (
    <LinkRow
      before={<PictureView id={item.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />}
      words={`${item.code} ${nameOf(item)}`}
      more={said === '' ? where : `${where}: ${said}`}
      onPress={() => {
        router.navigate(`/item/${item.id}`);
        goTo(first.finding?.field ?? 'category', first.market);
      }}
    />
  );
}
