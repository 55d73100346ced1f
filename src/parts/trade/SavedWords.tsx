import { useEffect, useState } from 'react';

import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';

/** Whether everything is stored, and since when. */
export function SavedWords() {
  const savedAt = useAttic((s) => s.savedAt);
  const [, again] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => again((n) => n + 1), 15_000);
    return () => clearInterval(timer);
  }, []);
  return (
    <Text variant="small" tone={savedAt === null ? 'soft' : 'good'} role="status">
      {savedAt === null ? 'Saving…' : `Saved ${agoWords(savedAt)}`}
    </Text>
  );
}
