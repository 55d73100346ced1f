import { unheard, type Unheard } from '@/core/courier/known';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { useCourier } from '@/store/courier/courierLink';

function wordsOf(one: Unheard): string {
  if (one.of === 'courier')
    return one.since === null
      ? 'The courier was not heard yet.'
      : `The courier was last heard ${agoWords(one.since)}.`;
  const since = one.since === null ? '' : `, last heard ${agoWords(one.since)}`;
  return one.lockedOut ? `${one.name} does not let us in${since}.` : `${one.name} does not answer${since}.`;
}

/** What keeps from saying that all is well, in words; null: everything was asked and answered. */
export function useUnheard(): string | null {
  // Each by itself: what else the courier tells, all evening long, draws nothing anew.
  const connected = useCourier((s) => s.connected);
  const caughtUp = useCourier((s) => s.caughtUp);
  const heardAt = useCourier((s) => s.heardAt);
  const markets = useCourier((s) => s.markets);
  const all = unheard({ connected, caughtUp, heardAt }, markets);
  return all.length === 0 ? null : all.map(wordsOf).join(' ');
}

/** A calm sentence, where it was asked and answered; else what is not known, and since when. */
export function Calm({ heading, words }: { heading: string; words: string }) {
  const why = useUnheard();
  return (
    <Card>
      <Text variant="heading">{why === null ? heading : 'Not all is known'}</Text>
      <Text tone="soft">{why === null ? words : `${why} What happened since is not shown here.`}</Text>
    </Card>
  );
}
