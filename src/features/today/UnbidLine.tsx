import { useRouter } from 'expo-router';

import { auctionNext } from '@/core/price/auctionStanding';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { exactly, soonWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useMarketName } from '@/store/courier/useMarketName';
import { auctionNextWords } from '@/wording/price';

import { Head, type LineProps } from './lines';

/** An auction that ends tonight, and nobody has bid: there is still time to ask for less. */
export function UnbidLine({ line, name, item }: LineProps<'unbid'>) {
  const market = useMarketName();
  const router = useRouter();
  const now = useTime(MINUTE);
  const currency = useAttic((s) => s.settings.currency);
  const { auction, itemId } = line;
  return (
    <Card label={`No bid yet: ${name}`}>
      <Head item={item} name={name} what={`No bid yet on ${market(auction.market)}`} />
      <Text figures>
        {`Ends ${soonWords(auction.endsAt, now)}, ${exactly(auction.endsAt)}. ` +
          auctionNextWords(auctionNext(auction), currency)}
      </Text>
      <Button
        label={`Ask for less: ${name}`}
        onPress={() => router.navigate(`/item/${itemId}?at=format&market=${auction.market}`)}
      >
        Ask for less, or leave it
      </Button>
    </Card>
  );
}
