import { useEffect, useState } from 'react';

import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';

import { agoWords } from './time';

/** Whether everything is stored, and since when. */
export function SavedWords() {
  const savedAt = useAttic((s) => s.savedAt);
  const [, again] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => again((n) => n + 1), 15_000);
    return () => clearInterval(timer);
  }, []);
  return (
    <Words kind="small" tone={savedAt === null ? 'soft' : 'good'} role="status">
      {savedAt === null ? 'Saving…' : `Saved ${agoWords(savedAt)}`}
    </Words>
  );
}
