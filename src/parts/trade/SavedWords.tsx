import { useEffect, useState } from 'react';

import { Text } from '@/parts/ui/Text';
import { clockOrDay } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';

/**
 * Two lines at most, and as wide whatever it says: what is beside and below it never moves under a finger
 * because something was stored.
 */
const WIDTH = 86;

/** Whether everything is stored, and since when. */
export function SavedWords() {
  const savedAt = useAttic((s) => s.savedAt);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 60_000);
    return () => clearInterval(timer);
  }, []);
  return (
    <Text
      variant="small"
      tone={savedAt === null ? 'soft' : 'good'}
      role="status"
      style={{ width: WIDTH, textAlign: 'right' }}
    >
      {savedAt === null ? 'Saving…' : `Saved ${clockOrDay(savedAt, Math.max(now, savedAt))}`}
    </Text>
  );
}
