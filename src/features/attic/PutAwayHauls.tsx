import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';

import type { useHauls } from './useHauls';

/** Shows those that are put away, or leaves them out again. */
export function PutAwayHauls({ put, away, setAway }: ReturnType<typeof useHauls>) {
  if (put === 0) return null;
  return (
    <Button variant="quiet" onPress={() => setAway(!away)} style={{ alignSelf: 'flex-start' }}>
      {away ? 'Leave out what is put away' : `Show ${put} put away`}
    </Button>
  );
}

export function NoHauls() {
  return (
    <Text tone="soft">
      Items bought together share a cost and a day. Begin with what the last one is called.
    </Text>
  );
}
