import { useRouter } from 'expo-router';

import { plural } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { fillInMany } from '@/store/items/many';

/** Leads to filling several items in together. */
export function FillInButton({ ids, main = false }: { ids: readonly string[]; main?: boolean }) {
  const router = useRouter();
  return (
    <Button
      variant={main ? 'main' : 'plain'}
      icon="write"
      onPress={() => {
        fillInMany(ids);
        router.navigate('/many');
      }}
    >
      {plural(ids.length, 'Fill it in', `Fill in these ${ids.length}`)}
    </Button>
  );
}
