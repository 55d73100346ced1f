import { useRouter } from 'expo-router';

import { Press } from '@/parts/Press';
import { fillInMany } from '@/store/many';

/** Leads to filling several things in together. */
export function FillInPress({ ids, main = false }: { ids: readonly string[]; main?: boolean }) {
  const router = useRouter();
  return (
    <Press
      kind={main ? 'main' : 'plain'}
      icon="write"
      onPress={() => {
        fillInMany(ids);
        router.navigate('/many');
      }}
    >
      {ids.length === 1 ? 'Fill it in' : `Fill in these ${ids.length}`}
    </Press>
  );
}
