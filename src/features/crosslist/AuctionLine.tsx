import { useEffect } from 'react';
import { View } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { auctionNext } from '@/core/price/auctionStanding';
import { Text } from '@/parts/ui/Text';
import { exactly, soonWords } from '@/parts/ui/time';
import { unlessExpected } from '@/store/base/faults';
import { MINUTE, useTime } from '@/store/base/useTime';
import { askAuctions, useAuction } from '@/store/courier/auctions';
import { auctionNextWords } from '@/wording/price';

/** How an auction stands: bids, what is left of its time, its round, and what comes next. */
export function AuctionLine(props: {
  listing: CourierListingView;
  currency: string;
  /** It is sold to whoever bids most. */
  isAuction: boolean;
}) {
  const { listing, currency, isAuction } = props;
  const auction = useAuction(listing);
  const now = useTime(MINUTE);
  const isUnknown = auction === undefined && isAuction && listing.state === 'live';
  useEffect(() => {
    // It has only just gone up: nobody has asked for it yet.
    if (isUnknown) askAuctions().catch(unlessExpected('looking at auctions'));
  }, [isUnknown]);
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
