import { useState } from 'react';

import type { CourierListingView } from '@/contract/courier';
import { Button } from '@/parts/ui/Button';

import { useListingAddress } from './useListingAddress';

/** Hands the link of a listing to whatever the device shares with; where it can't, puts it to be pasted. */
export function ShareLink(props: {
  listing: Pick<CourierListingView, 'market' | 'url' | 'title'>;
  label: string;
}) {
  const { listing, label } = props;
  const [did, setDid] = useState<'copied' | 'failed' | null>(null);
  const address = useListingAddress(listing);
  if (address === null) return null;
  const copy = () =>
    navigator.clipboard.writeText(address).then(
      () => setDid('copied'),
      // Browsers may forbid it: then it is opened and copied there.
      () => setDid('failed'),
    );
  const share = () => {
    const about = { title: listing.title, url: address };
    if ('share' in navigator && navigator.canShare?.(about))
      // Put away without a choice is no failure.
      void navigator.share(about).catch((error: unknown) => {
        if (!(error instanceof DOMException && error.name === 'AbortError')) void copy();
      });
    else void copy();
  };
  return (
    <Button variant="quiet" label={label} onPress={share}>
      {did === 'copied' ? 'Link copied' : did === 'failed' ? 'Can’t copy here' : 'Share its link'}
    </Button>
  );
}
