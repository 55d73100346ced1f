import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';

import type { PublicListing } from '@/contract/publicListing';
import { formatMoney } from '@/core/money/money';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { unlessExpected } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { publicCover } from '@/store/research/publicListings';
import { useColours } from '@/theme/theme';

/** What others offer, the likeliest first. */
export function Offered(props: {
  listings: readonly PublicListing[];
  onChoose: (listing: PublicListing) => void;
}) {
  const { listings, onChoose } = props;
  if (listings.length === 0) return null;
  return (
    <Card label="What others offer">
      <View role="list" style={{ gap: 4 }}>
        {listings.map((listing) => (
          <View key={listing.number} role="listitem">
            <Pressable
              role="button"
              aria-label={`Start from ${listing.title}, number ${listing.number}`}
              onPress={() => onChoose(listing)}
            >
              <OfferedLine listing={listing} />
            </Pressable>
          </View>
        ))}
      </View>
    </Card>
  );
}

/** One of them: its picture, what it is, what is asked, whose it is. */
export function OfferedLine({ listing }: { listing: PublicListing }) {
  const c = useColours();
  const currency = useCourier(
    (s) => s.sheets.find((x) => x.marketplace === listing.market)?.currency ?? 'EUR',
  );
  const cover = useCover(listing);
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center', minHeight: 64 }}>
      <View style={{ width: 60, height: 60, borderRadius: 8, overflow: 'hidden', backgroundColor: c.raised }}>
        {cover ? <img src={cover} alt="" style={{ width: 60, height: 60, objectFit: 'cover' }} /> : null}
      </View>
      <View style={{ flex: 1, gap: 2 }}>
        <Text numberOfLines={2}>{listing.title}</Text>
        <Text variant="small" tone="soft" figures>
          {`${formatMoney(listing.price, currency)} · ${listing.seller} · number ${listing.number}`}
        </Text>
      </View>
    </View>
  );
}

/** Its picture as an address of this page, until it is no longer shown. */
function useCover(listing: PublicListing): string | null {
  const [cover, setCover] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    let address: string | null = null;
    publicCover(listing).then((blob) => {
      if (gone || !blob) return;
      address = URL.createObjectURL(blob);
      setCover(address);
    }, unlessExpected('showing a picture of a public listing'));
    return () => {
      gone = true;
      if (address) URL.revokeObjectURL(address);
    };
  }, [listing]);
  return cover;
}
