import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import { counted } from '@/core/language/plural';
import { notTaken } from '@/core/listing/signState';
import { LinkRow } from '@/parts/ui/LinkRow';
import { useCourier } from '@/store/courier/courierLink';
import { useSoonOver } from '@/store/derived/useSoonOver';

/** To all warnings by their cause: with what of them is known without checking everything anew. */
export function ToLookAtLine() {
  const router = useRouter();
  const views = useCourier((s) => s.items);
  const soon = useSoonOver().length;
  const refused = useMemo(
    () =>
      Object.values(views).reduce(
        (sum, view) => sum + (view.sale ? 0 : view.listings.filter(notTaken).length),
        0,
      ),
    [views],
  );
  const known = [
    refused > 0 ? `${counted(refused, 'listing')} refused` : '',
    soon > 0 ? `${counted(soon, 'thing')} soon over` : '',
  ].filter(Boolean);
  return (
    <LinkRow
      words="To look at"
      more={known.length > 0 ? known.join(', ') : 'what stands against listings, by its cause'}
      onPress={() => router.navigate('/to-look-at')}
    />
  );
}
