import { useState } from 'react';
import { View } from 'react-native';

import { Coupon } from '@/contract/atMarket';
import type { MarketView } from '@/contract/courier';
import { Field } from '@/parts/Field';
import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';
import { WholeField } from '@/parts/WholeField';
import { Words } from '@/parts/Words';
import { coupons, endCoupon, putCoupon } from '@/store/coupons';

import { useDo } from '../shell/useDo';

/** Words that take something off in the seller's own shop. */
export function Coupons({ market }: { market: MarketView }) {
  const [known, setKnown] = useState<Coupon[] | null>(null);
  const [code, setCode] = useState('');
  const [off, setOff] = useState(10);
  const { run, busy, trouble } = useDo();
  const read = async () => setKnown(await coupons(market.id));
  if (known === null)
    return (
      <View style={{ gap: 8 }}>
        <Press kind="quiet" label={`Coupons of ${market.name}`} disabled={busy} onPress={() => run(read)}>
          Coupons
        </Press>
        {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
      </View>
    );
  const made = Coupon.safeParse({ code: code.trim().toUpperCase(), percentOff: off });
  return (
    <View role="group" aria-label={`Coupons of ${market.name}`} style={{ gap: 8 }}>
      <Words kind="strong">Coupons</Words>
      {known.length === 0 ? <Words tone="soft">There are none.</Words> : null}
      {known.map((c) => (
        <View key={c.code} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Words style={{ flex: 1 }} figures>{`${c.code}: ${c.percentOff} % off`}</Words>
          <Press
            kind="quiet"
            label={`End ${c.code}`}
            disabled={busy}
            onPress={() => run(() => endCoupon(market.id, c.code).then(read))}
          >
            End it
          </Press>
        </View>
      ))}
      <Field
        label="A buyer’s word"
        hint="3 to 20 letters and figures."
        value={code}
        pause={0}
        maxLength={20}
        onChange={setCode}
      />
      <WholeField label="Per cent off" value={off} least={1} most={90} onChange={setOff} />
      <Press
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
      </Press>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
