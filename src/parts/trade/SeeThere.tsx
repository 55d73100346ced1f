import { Pressable } from 'react-native';

import type { CourierListingView } from '@/contract/courier';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useColours } from '@/theme/theme';

import { useListingAddress } from './useListingAddress';

/** The way to a listing's own page. A link that leads anywhere but to its marketplace is only shown. */
export function SeeThere(props: {
  listing: Pick<CourierListingView, 'market' | 'url'>;
  label: string;
  children: string;
  /** As small as the line it stands in. */
  quiet?: boolean;
}) {
  const { listing, label, children, quiet } = props;
  const c = useColours();
  const address = useListingAddress(listing);
  if (!listing.url) return null;
  if (address === null)
    return (
      <Text variant="small" tone="soft" selectable>
        {`Its link leads elsewhere, so it is not opened: ${listing.url}`}
      </Text>
    );
  const see = () => window.open(address, '_blank', 'noopener');
  return quiet ? (
    <Pressable
      role="link"
      aria-label={label}
      onPress={see}
      style={{ minHeight: 44, justifyContent: 'center' }}
    >
      <Text
        variant="small"
        figures
        numberOfLines={1}
        style={{ color: c.moss, textDecorationLine: 'underline' }}
      >
        {children}
      </Text>
    </Pressable>
  ) : (
    <Button icon="outside" label={label} onPress={see}>
      {children}
    </Button>
  );
}
