import { useLocalSearchParams } from 'expo-router';

import { Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useWide } from '@/theme/theme';

import { HaulBody } from './HaulBody';
import { HaulsDesk } from './HaulsDesk';

/** One haul; at a desk beside the others. */
export function HaulPage() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const haul = useAttic((s) => s.hauls[id]);
  const wide = useWide();
  if (haul && wide) return <HaulsDesk />;
  if (!haul)
    return (
      <Page title="Haul" back="/hauls">
        <Text tone="soft">It is not in this attic.</Text>
      </Page>
    );
  return (
    <Page title={haul.name} back="/hauls">
      <HaulBody haul={haul} />
    </Page>
  );
}
