import { useRouter } from 'expo-router';

import { openHold } from '@/core/holds/holds';
import { plural } from '@/core/language/plural';
import { isUnposted, type OrderRow } from '@/core/orders/orders';
import { waits } from '@/core/talks/talks';
import { useUnheard } from '@/parts/trade/Calm';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Card } from '@/parts/ui/Page';
import { agoWords } from '@/parts/ui/time';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { useTalks } from '@/store/fulfilment/talks';

/** The pages for what comes after a sale, each with what waits there. */
export function AfterSale({ orders }: { orders: readonly OrderRow[] }) {
  const router = useRouter();
  const waiting = useTalks((s) => s.talks.filter(waits).length);
  const readAt = useTalks((s) => s.readAt);
  const silent = useTalks((s) => s.missing.length > 0);
  const why = useUnheard();
  const nobody =
    readAt === null
      ? 'not asked yet'
      : silent
        ? 'not all could be asked'
        : why === null
          ? 'nobody waits'
          : `nobody waited ${agoWords(readAt)}`;
  const items = useAttic((s) => s.items);
  const views = useCourier((s) => s.items);
  const held = Object.values(items).filter((t) => openHold(t) && !views[t.id]?.sale).length;
  const parcels = orders.filter((r) => r.way === 'post' && isUnposted(r)).length;
  const say = (n: number, one: string, many: string, none: string) =>
    n === 0 ? none : plural(n, one, `${n} ${many}`);
  return (
    <Card label="After the sale">
      <LinkRow
        words="Messages and offers"
        more={say(waiting, 'one waits for you', 'wait for you', nobody)}
        onPress={() => router.navigate('/talks')}
      />
      <LinkRow
        words="Packing"
        more={say(parcels, 'one parcel', 'parcels', why === null ? 'nothing to pack' : 'not known just now')}
        onPress={() => router.navigate('/packing')}
      />
      <LinkRow
        words="Holds and meetings"
        more={say(held, 'one item is promised', 'items are promised', 'nothing is promised')}
        onPress={() => router.navigate('/holds')}
      />
      <LinkRow
        words="Payouts"
        more="statements against what was told"
        onPress={() => router.navigate('/payouts')}
      />
    </Card>
  );
}
