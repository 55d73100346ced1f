import { useMemo } from 'react';

import { planId } from '@/contract/records';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';

/** Where buyers of an item are met: first what its listing says, then where one met before, then the rest. */
export function useMeetingPlaces(item: string, market: string): readonly string[] {
  const question = useCourier((s) =>
    s.sheets.find((x) => x.marketplace === market)?.questions.find((q) => q.about === 'meetingPlace'),
  );
  const said = useAttic((s) => {
    if (!question) return '';
    const own = s.plans[planId(item, market)]?.answers[question.id];
    return own ?? s.settings.remembered[market]?.[question.id] ?? '';
  });
  const before = useAttic((s) => s.settings.meetingPlaces);
  return useMemo(
    () => [...new Set([said, ...before, ...(question?.choices ?? [])])].filter((place) => place !== ''),
    [said, before, question],
  );
}
