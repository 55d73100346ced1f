import type { CourierListingView } from '@/contract/courier';
import { ownAddress } from '@/core/listing/link';
import { Press } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useCourier } from '@/store/courierLink';

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
      <Words kind="small" tone="soft" selectable>
        {`Its link leads elsewhere, so it is not opened: ${listing.url}`}
      </Words>
    );
  return (
    <Press icon="outside" label={label} onPress={() => window.open(address, '_blank', 'noopener')}>
      {children}
    </Press>
  );
}
