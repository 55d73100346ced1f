import { Pressable, View } from 'react-native';

import type { PublicListing } from '@/contract/publicListing';
import { formatMoney } from '@/core/money/money';
import { OutsidePicture } from '@/parts/trade/OutsidePicture';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';

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
  const currency = useCourier(
    (s) => s.sheets.find((x) => x.marketplace === listing.market)?.currency ?? 'EUR',
  );
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center', minHeight: 64 }}>
      <OutsidePicture of="address" name={listing.pictures[0] ?? null} size={{ width: 60, height: 60 }} />
      <View style={{ flex: 1, gap: 2 }}>
        <Text numberOfLines={2}>{listing.title}</Text>
        <Text variant="small" tone="soft" figures>
          {`${formatMoney(listing.price, currency)} · ${listing.seller} · number ${listing.number}`}
        </Text>
      </View>
    </View>
  );
}
