import { differenceInCalendarDays } from 'date-fns';

import type { Sale } from '@/contract/courier';
import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { Text } from '@/parts/ui/Text';
import { dayWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';

import { rankWords } from './rankWords';

/** Beside a sale: for how much it was listed there, how long ago, and how its like sold then and now. */
export function WhenListed({ item, sale }: { item: Item; sale: Sale }) {
  const currency = useAttic((s) => s.settings.currency);
  const listing = useCourier((s) => s.items[item.id]?.listings.find((l) => l.market === sale.market));
  const listedAt = listing?.listedAt ?? null;
  const ranks = rankWords(item.ranks, listedAt);
  return (
    <>
      {listedAt === null || listedAt > sale.at ? null : (
        <Text variant="small" tone="soft" figures>
          {listedWords(listedAt, listing?.firstPrice ?? null, sale, currency)}
        </Text>
      )}
      {ranks === '' ? null : (
        <Text variant="small" tone="soft" figures>
          {ranks}
        </Text>
      )}
    </>
  );
}

/** "Listed there on 3 Oct 2026 for €60.00, sold 41 days later for €12.00 less." */
function listedWords(listedAt: number, first: number | null, { at, amount }: Sale, currency: string): string {
  const days = differenceInCalendarDays(at, listedAt);
  const when = days === 0 ? 'the same day' : `${plural(days, 'a day', `${days} days`)} later`;
  if (first === null) return `Listed there on ${dayWords(listedAt)}, sold ${when}.`;
  const than =
    amount === first
      ? 'for that'
      : `for ${formatMoney(Math.abs(first - amount), currency)} ${amount < first ? 'less' : 'more'}`;
  return `Listed there on ${dayWords(listedAt)} for ${formatMoney(first, currency)}, sold ${when} ${than}.`;
}
