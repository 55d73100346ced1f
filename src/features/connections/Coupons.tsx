import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';

import { Coupon } from '@/contract/atMarket';
import type { MarketView } from '@/contract/courier';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { wordsOf } from '@/store/base/faults';
import { queries } from '@/store/base/queries';
import { coupons, endCoupon, putCoupon } from '@/store/courier/coupons';

/** Words that take something off in the seller's own shop. */
export function Coupons({ market }: { market: MarketView }) {
  const [asked, setAsked] = useState(false);
  const [code, setCode] = useState('');
  const [off, setOff] = useState(10);
  const { run, busy, trouble } = useAsyncAction();
  const known = useQuery(
    { queryKey: ['coupons', market.id], queryFn: () => coupons(market.id), enabled: asked },
    queries,
  );
  const read = async () => void (await known.refetch());
  if (!known.data || !asked)
    return (
      <View style={{ gap: 8 }}>
        <Button
          variant="quiet"
          label={`Coupons of ${market.name}`}
          disabled={known.isFetching}
          onPress={() => (asked ? void read() : setAsked(true))}
        >
          Coupons
        </Button>
        {known.error ? <Notice tone="trouble">{wordsOf(known.error)}</Notice> : null}
      </View>
    );
  const made = Coupon.safeParse({ code: code.trim().toUpperCase(), percentOff: off });
  return (
    <View role="group" aria-label={`Coupons of ${market.name}`} style={{ gap: 8 }}>
      <Text variant="strong">Coupons</Text>
      {known.data.length === 0 ? <Text tone="soft">There are none.</Text> : null}
      {known.data.map((c) => (
        <View key={c.code} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text style={{ flex: 1 }} figures>{`${c.code}: ${c.percentOff} % off`}</Text>
          <Button
            variant="quiet"
            label={`End ${c.code}`}
            disabled={busy}
            onPress={() => run(() => endCoupon(market.id, c.code).then(read))}
          >
            End it
          </Button>
        </View>
      ))}
      <Field
        label="Coupon code"
        hint="3 to 20 letters and figures."
        value={code}
        pause={0}
        maxLength={20}
        onChange={setCode}
      />
      <WholeField label="Per cent off" value={off} least={1} most={90} onChange={setOff} />
      <Button
        disabled={busy || !made.success}
        onPress={() =>
          run(async () => {
            if (!made.success) return;
            await putCoupon(market.id, made.data);
            setCode('');
            await read();
          })
        }
      >
        Make the coupon
      </Button>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
