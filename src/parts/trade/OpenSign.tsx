import type { ReactNode } from 'react';

import type { CourierListingView } from '@/contract/courier';
import { ownAddress } from '@/core/listing/link';
import { useCourier } from '@/store/courier/courierLink';

/** A sign that leads to the listing's own page, where it has one at its marketplace. */
export function OpenSign(props: {
  listing: Pick<CourierListingView, 'market' | 'url' | 'state'> | undefined;
  label: string;
  children: ReactNode;
}) {
  const { listing, label, children } = props;
  const home = useCourier((s) => s.markets.find((m) => m.id === listing?.market)?.home ?? null);
  const address =
    listing?.url && listing.state === 'live' ? ownAddress(listing.url, home, window.location.href) : null;
  if (address === null) return children;
  return (
    <a
      href={address}
      target="_blank"
      rel="noopener"
      aria-label={`${label}: open its page`}
      title={`${label}: open its page`}
      style={{ display: 'flex', borderRadius: 6 }}
    >
      {children}
    </a>
  );
}
