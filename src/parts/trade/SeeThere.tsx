import type { CourierListingView } from '@/contract/courier';
import { ownAddress } from '@/core/listing/link';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useCourier } from '@/store/courier/courierLink';

/** The way to a listing's own page. A link that leads anywhere but to its marketplace is only shown. */
export function SeeThere(props: {
  listing: Pick<CourierListingView, 'market' | 'url'>;
  label: string;
  children: string;
}) {
  const { listing, label, children } = props;
  const home = useCourier((s) => s.markets.find((m) => m.id === listing.market)?.home ?? null);
  if (!listing.url) return null;
  const address = ownAddress(listing.url, home, window.location.href);
  if (address === null)
    return (
      <Text variant="small" tone="soft" selectable>
        {`Its link leads elsewhere, so it is not opened: ${listing.url}`}
      </Text>
    );
  return (
    <Button icon="outside" label={label} onPress={() => window.open(address, '_blank', 'noopener')}>
      {children}
    </Button>
  );
}
