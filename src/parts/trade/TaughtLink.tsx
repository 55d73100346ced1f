import { useRouter } from 'expo-router';

import { LinkRow } from '@/parts/ui/LinkRow';
import { useAttic } from '@/store/attic/attic';

/** Where what corrections taught can be looked at; nothing while nothing was taught. */
export function TaughtLink() {
  const router = useRouter();
  const count = useAttic((s) => s.settings.lessons.length);
  if (count === 0) return null;
  return (
    <LinkRow
      words="What your corrections taught"
      more={`${count}, each can be forgotten`}
      onPress={() => router.navigate('/taught')}
    />
  );
}
