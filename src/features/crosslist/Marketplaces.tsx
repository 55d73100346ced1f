import { useRouter } from 'expo-router';
import { memo } from 'react';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import type { Examined } from '@/core/listing/examine';
import { Section } from '@/parts/trade/Section';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { loadSheets, useCourier } from '@/store/courier/courierLink';
import { useUsedSheets } from '@/store/derived/useUsedSheets';
import { troubleWords } from '@/wording/courier';

import { MarketCard } from './MarketCard';
import { SendBar } from './SendBar';
import { BestPlace } from '../price/BestPlace';

/** Everything about selling this item somewhere: what to send where, what it would bring, and sending it. */
export const Marketplaces = memo(function Marketplaces({
  item,
  examined,
}: {
  item: Item;
  examined: readonly Examined[];
}) {
  const missing = useCourier((s) => s.sheetsMissing);
  const router = useRouter();
  const used = useUsedSheets();
  const shown = examined.filter((e) => used.some((s) => s.marketplace === e.sheet.marketplace));
  const out = examined.length - shown.length;
  const { run, trouble } = useAsyncAction();
  return (
    <Section name="markets" title="Marketplaces" blank>
      {examined.length === 0 && missing.length === 0 ? (
        <Text tone="soft">The rule sheets are being read…</Text>
      ) : null}
      {missing.map((m) => (
        <Notice
          key={m.market}
          tone="caution"
        >{`The rules of ${m.name} could not be read: ${troubleWords(m.why)}`}</Notice>
      ))}
      {missing.length > 0 ? <Button onPress={() => run(loadSheets)}>Read the rules again</Button> : null}
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      <BestPlace item={item} examined={shown} />
      {shown.some((e) => e.plan?.wanted) ? (
        <Button
          variant="quiet"
          style={{ alignSelf: 'flex-start' }}
          onPress={() => router.navigate(`/item/${item.id}/buyers`)}
        >
          What buyers see everywhere
        </Button>
      ) : null}
      {shown.map((e) => (
        <MarketCard key={e.sheet.marketplace} item={item} examined={e} />
      ))}
      {out > 0 ? (
        <LinkRow
          words="Not connected"
          more={plural(out, 'one more marketplace', `${out} more marketplaces`)}
          onPress={() => router.navigate('/connections')}
        />
      ) : null}
      <SendBar item={item} examined={shown} />
    </Section>
  );
});
