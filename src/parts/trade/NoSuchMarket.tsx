import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';
import { troubleWords } from '@/wording/courier';

/**
 * Shown where an address names no marketplace, or one whose rules are not there: says which of it is so, and
 * never waits for what will not come.
 */
export function NoSuchMarket({ title, market }: { title: string; market: string }) {
  const known = useCourier((s) => s.markets.find((m) => m.id === market));
  const heard = useCourier((s) => s.markets.length > 0);
  const missing = useCourier((s) => s.sheetsMissing.find((m) => m.market === market));
  return (
    <Page title={title} back="/connections">
      <Text tone="soft">
        {missing
          ? `The rules of ${missing.name} could not be read: ${troubleWords(missing.why)}`
          : known
            ? `The rules of ${known.name} are being read…`
            : heard || market === ''
              ? 'There is no such marketplace: choose one under Marketplaces.'
              : 'The courier was not heard yet, so nothing is known of that marketplace.'}
      </Text>
    </Page>
  );
}
