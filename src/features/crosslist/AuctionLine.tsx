import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { auctionNext } from '@/core/price/auctionStanding';
import { Text } from '@/parts/ui/Text';
import { exactly, soonWords } from '@/parts/ui/time';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useAuction } from '@/store/courier/auctions';
import { auctionNextWords } from '@/wording/price';

/** How an auction stands: bids, what is left of its time, its round, and what comes next. */
export function AuctionLine({ listing, currency }: { listing: CourierListingView; currency: string }) {
  const auction = useAuction(listing);
  const now = useTime(MINUTE);
  if (!auction || listing.state !== 'live') return null;
  const { bids, highest, endsAt, round, rounds } = auction;
  return (
    <View role="group" aria-label="How the auction stands" style={{ gap: 2 }}>
      <Text variant="strong" figures>
        {bids === 0
          ? 'No bid yet'
          : `${plural(bids, 'One bid', `${bids} bids`)}, highest ${formatMoney(highest ?? 0, currency)}`}
      </Text>
      <Text
        figures
      >{`Ends ${soonWords(endsAt, now)}, ${exactly(endsAt)}. Round ${round} of ${rounds}.`}</Text>
      <Text variant="small" tone="soft" figures>
        {auctionNextWords(auctionNext(auction), currency)}
      </Text>
    </View>
  );
}
