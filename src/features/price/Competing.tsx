import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';

import type { CompetingOffer } from '@/contract/comps';
import type { Followed, FollowRule } from '@/contract/following';
import type { Item } from '@/contract/records';
import { gradeOfItem } from '@/core/condition/grade';
import type { Examined } from '@/core/listing/examine';
import { followedThere } from '@/core/listing/followed';
import { formatMoney } from '@/core/money/money';
import { takenInAgain, whyNotCounted } from '@/core/price/following';
import { FollowFields } from '@/parts/trade/FollowFields';
import { Button, Chip } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { agoWords } from '@/parts/ui/time';
import { setSettings, useAttic } from '@/store/attic/attic';
import { unlessExpected, wordsOf } from '@/store/base/faults';
import { queries } from '@/store/base/queries';
import { MINUTE, useTime } from '@/store/base/useTime';
import { editPlan } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { editOwn } from '@/store/items/stencils';
import { askCompeting } from '@/store/research/competing';
import { followNow } from '@/store/research/following';
import { followWords } from '@/wording/price';

import { Copies } from './Copies';

/**
 * Where items are listed against records: what others ask for the same, a price by the person's own rule,
 * once or followed from now on.
 */
export function Competing({ item, examined }: { item: Item; examined: Examined }) {
  const { sheet, effective, laid, plan } = examined;
  const barcode = effective.specifics.barcode ?? '';
  const asked = useQuery(
    {
      queryKey: ['competing', sheet.marketplace, barcode],
      queryFn: () => askCompeting(sheet.marketplace, barcode),
      // Prices there change: it is asked when the person asks.
      enabled: false,
      gcTime: 0,
    },
    queries,
  );
  const offers = asked.data;
  if (!sheet.records || barcode === '') return null;
  const rule = laid.plan?.follow;
  return (
    <View role="group" aria-label={`Other copies on ${sheet.name}`} style={{ gap: 8 }}>
      {rule && plan?.followed ? (
        <Led followed={plan.followed} currency={sheet.currency} name={sheet.name} />
      ) : null}
      <Button icon="search" disabled={asked.isFetching} onPress={() => void asked.refetch()}>
        {asked.isFetching ? 'Asking…' : `What do others ask on ${sheet.name}?`}
      </Button>
      {asked.error && !asked.isFetching ? <Notice tone="trouble">{wordsOf(asked.error)}</Notice> : null}
      {offers === null ? (
        <Notice tone="caution">{`${sheet.name} has no record under ${barcode}.`}</Notice>
      ) : null}
      {offers ? <Ruled item={item} examined={examined} offers={offers} /> : null}
      {rule && !offers ? <Rule item={item} examined={examined} offers={null} /> : null}
    </View>
  );
}

/** Where following has led, why, and what came before it. */
function Led({ followed, currency, name }: { followed: Followed; currency: string; name: string }) {
  const [all, setAll] = useState(false);
  useTime(MINUTE);
  return (
    <View role="group" aria-label={`Followed on ${name}`} style={{ gap: 4 }}>
      <Text figures>
        {`Follows: ${formatMoney(followed.price, currency)}. ${followWords(followed.reason, currency)}.`}
      </Text>
      <Text variant="small" tone="soft">
        {`Looked ${agoWords(followed.checkedAt)}.`}
      </Text>
      <Button variant="quiet" style={{ alignSelf: 'flex-start' }} onPress={() => setAll(!all)}>
        {all ? 'Put its prices away' : 'Its prices so far'}
      </Button>
      {all ? (
        <View role="list" aria-label={`Prices followed on ${name}`}>
          {followed.history.map((h) => (
            <Text key={h.at} role="listitem" variant="small" tone="soft" figures>
              {`${agoWords(h.at)}: ${formatMoney(h.price, currency)}. ${followWords(h.reason, currency)}.`}
            </Text>
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** The rule that holds there now: the listing's own, its stencil's, or the one the person begins with. */
function useRule({ laid }: Examined): { rule: FollowRule; isOn: boolean } {
  const usual = useAttic((s) => s.settings.priceRule);
  const rule = laid.plan?.follow ?? null;
  return { rule: rule ?? usual, isOn: rule !== null };
}

/** Changes the rule: where it is on, the listing's own; else the one the next listings begin with, too. */
function useChangeRule(item: Item, examined: Examined, offers: readonly CompetingOffer[] | null) {
  const { rule, isOn } = useRule(examined);
  const { sheet } = examined;
  const put = (next: FollowRule, on: boolean) => {
    if (!on) return setSettings({ priceRule: next });
    editOwn(item.id, examined, 'how it follows', { follow: next });
    // What is known of others' copies is followed at once.
    if (offers) followNow(item, sheet, offers).catch(unlessExpected('following others’ prices'));
  };
  return {
    rule,
    isOn,
    change: (part: Partial<FollowRule>) => put({ ...rule, ...part }, isOn),
    turnOn: () => put(rule, true),
    // The price stays as it was led to, until the person says otherwise.
    turnOff: () =>
      editOwn(item.id, examined, 'no longer follows', (now) => ({
        follow: null,
        followed: null,
        price: now.followed?.price ?? now.price,
      })),
  };
}

/** The rule, and whether it goes on by itself. */
function Rule(props: { item: Item; examined: Examined; offers: readonly CompetingOffer[] | null }) {
  const { item, examined, offers } = props;
  const { sheet } = examined;
  const { rule, isOn, change, turnOn, turnOff } = useChangeRule(item, examined, offers);
  return (
    <>
      <Chip
        role="checkbox"
        on={isOn}
        label={`Follow the copies on ${sheet.name}`}
        onPress={isOn ? turnOff : turnOn}
      >
        Follow them from now on
      </Chip>
      <FollowFields rule={rule} currency={sheet.currency} byItself={isOn} onChange={change} />
    </>
  );
}

function Ruled(props: { item: Item; examined: Examined; offers: readonly CompetingOffer[] }) {
  const { item, examined, offers } = props;
  const { sheet, plan } = examined;
  const kinds = useKinds();
  const settings = useAttic((s) => s.settings);
  const now = useTime(MINUTE);
  const { rule, isOn, change } = useChangeRule(item, examined, offers);
  const say = (amount: number) => formatMoney(amount, sheet.currency);
  const wear = gradeOfItem(item)?.wear ?? null;
  const followed = isOn ? (plan?.followed ?? null) : null;
  const next = followed ?? followedThere(item, examined, rule, offers, { kinds, settings, now });
  const counts = (o: CompetingOffer) => whyNotCounted(o, rule, wear, followed);
  const cheaper = offers.filter(
    (o) => counts(o) === null && o.price + o.postage < next.price + (examined.effective.postage ?? 0),
  );
  return (
    <View style={{ gap: 8 }}>
      <Copies
        sheet={sheet}
        offers={offers}
        why={counts}
        onLeaveOut={(seller) => change({ leaveOut: [...rule.leaveOut, seller].slice(0, 100) })}
        onTakeIn={(seller) => {
          if (followed)
            editPlan(item.id, sheet.marketplace, `${seller} counts again`, (p) => ({
              followed: p.followed && takenInAgain(p.followed, seller),
            }));
          change({ leaveOut: rule.leaveOut.filter((s) => s !== seller) });
        }}
      />
      <Rule item={item} examined={examined} offers={offers} />
      <Text figures>
        {`${say(next.price)}, number ${cheaper.length + 1} of ${next.counted + 1} by price. ` +
          `${followWords(next.reason, sheet.currency)}.`}
      </Text>
      {isOn ? null : (
        <Button
          variant="main"
          label={`Ask ${say(next.price)} on ${sheet.name}`}
          onPress={() =>
            editPlan(item.id, sheet.marketplace, `price on ${sheet.name}`, { price: next.price })
          }
        >
          {`Ask ${say(next.price)} there`}
        </Button>
      )}
    </View>
  );
}
