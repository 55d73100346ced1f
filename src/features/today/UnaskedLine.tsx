import { useRouter } from 'expo-router';

import { planId, type Plan } from '@/contract/records';
import type { FeeRule } from '@/contract/ruleSheet';
import { plural } from '@/core/language/plural';
import { floorHere } from '@/core/listing/effective';
import { formatMoney } from '@/core/money/money';
import { lowerStep } from '@/core/price/lowerStep';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { MINUTE, useTime } from '@/store/base/useTime';
import { useCourier } from '@/store/courier/courierLink';
import { enqueue } from '@/store/courier/sendQueue';
import { editPlan } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';

import { Head, type LineProps } from './lines';

/** Days of a paid place that are bought at a time. */
const DAYS = 3;

type PaidPlace = Extract<FeeRule, { type: 'extra' }>;

/** Nobody wrote for days: a paid place, a lower price, or more time. */
export function UnaskedLine({ line, name, item }: LineProps<'unasked'>) {
  const router = useRouter();
  const now = useTime(MINUTE);
  const { itemId, listing, since } = line;
  const { market, price } = listing;
  const settings = useAttic((s) => s.settings);
  const plan = useAttic((s) => s.plans[planId(itemId, market)]);
  const sheet = useCourier((s) => s.sheets.find((x) => x.marketplace === market));
  const kinds = useKinds();
  if (!item || !sheet) return null;
  const say = (amount: number) => formatMoney(amount, settings.currency);
  const days = Math.floor((now - since) / 86_400_000);
  const place = sheet.fees.rules.find(
    (r): r is PaidPlace => r.type === 'extra' && r.by === 'day' && r.asks === undefined,
  );
  const lower = lowerStep(price, floorHere(item, kinds, settings), settings.currency);
  const put = (label: string, part: (now: Plan) => Partial<Plan>) => {
    editPlan(itemId, market, label, (then) => ({ ...part(then), unaskedFrom: Date.now() }));
    enqueue([{ item: itemId, market, action: 'send' }]);
  };
  const more = (id: string) => String(Number(plan?.extras[id] ?? 0) + DAYS);
  return (
    <Card label={`Nobody asked: ${name}`}>
      <Head item={item} name={name} what={`Nobody asked on ${sheet.name}`} />
      <Text figures>
        {`${say(price)}, and no enquiry for ${plural(days, 'a day', `${days} days`)}.` +
          `${line.of > 1 ? ` One of ${line.of} nobody asked about.` : ''}`}
      </Text>
      {lower === null ? (
        <Text tone="soft">A lower price would go under your floor.</Text>
      ) : (
        <Button label={`Ask less: ${name}`} onPress={() => put('lower price', () => ({ price: lower }))}>
          {`Ask ${say(lower)}`}
        </Button>
      )}
      {place ? (
        <Button
          label={`${place.label}: ${name}`}
          onPress={() =>
            put('paid place', (then) => ({ extras: { ...then.extras, [place.id]: more(place.id) } }))
          }
        >
          {`${place.label} for ${DAYS} days, ${say(place.amount * DAYS)}`}
        </Button>
      ) : null}
      <Button
        variant="quiet"
        label={`Wait: ${name}`}
        onPress={() => editPlan(itemId, market, 'waiting', { unaskedFrom: Date.now() })}
      >
        Wait five more days
      </Button>
      <Button
        variant="quiet"
        label={`Look at ${name}`}
        onPress={() => router.navigate(`/item/${itemId}?at=markets&market=${market}`)}
      >
        Look at it
      </Button>
    </Card>
  );
}
