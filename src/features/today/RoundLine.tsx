import { useRouter } from 'expo-router';
import { useMemo } from 'react';

import { isSettled, tallyOf } from '@/core/outgoing/outcome';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card } from '@/parts/ui/Page';
import { useRound } from '@/store/courier/outgoing';
import { useFollowed } from '@/store/derived/useFollowed';

/** What was sent together and is still under way, or did not get as far as the courier. */
export function RoundLine() {
  const router = useRouter();
  const followed = useFollowed(useRound());
  const tally = useMemo(() => tallyOf(followed.map((f) => f.outcome)), [followed]);
  const { failed, there, down, planned } = tally;
  if (followed.length === 0 || (isSettled(tally) && failed === 0)) return null;
  return (
    <Card label="What goes out" tone={failed > 0 ? 'trouble' : 'plain'}>
      <LinkRow
        words={`On their way: ${there + down + planned} of ${followed.length}`}
        more={failed > 0 ? `${failed} could not be sent` : 'goes on while you work elsewhere'}
        onPress={() => router.navigate('/underway')}
      />
    </Card>
  );
}
