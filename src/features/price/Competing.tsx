import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';

import type { CompetingOffer } from '@/contract/comps';
import type { Item, Settings } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { gradeOfItem } from '@/core/condition/grade';
import type { Examined } from '@/core/listing/examine';
import { formatMoney } from '@/core/money/money';
import { ruledPrice, type PriceRule } from '@/core/price/competing';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { wordsOf } from '@/store/base/faults';
import { queries } from '@/store/base/queries';
import { editPlan } from '@/store/items/items';
import { askCompeting } from '@/store/research/competing';
import { ruledWords } from '@/wording/price';

const WAYS: readonly [PriceRule['way'], string][] = [
  ['match', 'As the cheapest'],
  ['undercut', 'Under the cheapest'],
  ['above', 'Above the cheapest'],
];

/**
 * Where items are listed against records: what others ask for the same, and a price by the person's own
 * rule.
 */
export function Competing(props: { item: Item; examined: Examined; floor: number | null }) {
  const { item, examined, floor } = props;
  const { sheet, effective } = examined;
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
  return (
    <View role="group" aria-label={`Other copies on ${sheet.name}`} style={{ gap: 8 }}>
      <Button icon="search" disabled={asked.isFetching} onPress={() => void asked.refetch()}>
        {asked.isFetching ? 'Asking…' : `What do others ask on ${sheet.name}?`}
      </Button>
      {asked.error && !asked.isFetching ? <Notice tone="trouble">{wordsOf(asked.error)}</Notice> : null}
      {offers === null ? (
        <Notice tone="caution">{`${sheet.name} has no record under ${barcode}.`}</Notice>
      ) : null}
      {offers ? <Ruled item={item} examined={examined} offers={offers} floor={floor} /> : null}
    </View>
  );
}

function Ruled(props: {
  item: Item;
  examined: Examined;
  offers: readonly CompetingOffer[];
  floor: number | null;
}) {
  const { item, examined, offers, floor } = props;
  const { sheet, effective } = examined;
  const { currency, guards, priceRule } = useAttic((s) => s.settings);
  const say = (amount: number) => formatMoney(amount, currency);
  const wear = gradeOfItem(item)?.wear ?? null;
  const min = Math.max(guards.min, sheet.price.min, floor ?? 0);
  const rule: PriceRule = {
    ...priceRule,
    notWorseThan: priceRule.likeForLike ? wear : null,
    min,
    max: Math.max(min, Math.min(guards.max, sheet.price.max)),
  };
  const ruled = ruledPrice(
    effective.price ?? item.price ?? rule.min,
    effective.postage ?? 0,
    offers.map((o) => ({ seller: o.seller, total: o.price + o.postage, wear: o.wear })),
    rule,
  );
  const change = (part: Partial<typeof priceRule>) => setSettings({ priceRule: { ...priceRule, ...part } });
  return (
    <View style={{ gap: 8 }}>
      <Text figures>
        {[
          ruled.lowestNew === null ? 'none new' : `lowest new ${say(ruled.lowestNew)}`,
          ruled.lowestUsed === null ? 'none used' : `lowest used ${say(ruled.lowestUsed)}`,
        ].join(', ')}
        {', with postage.'}
      </Text>
      <Copies
        sheet={sheet}
        offers={offers}
        leaveOut={priceRule.leaveOut}
        onLeaveOut={(leaveOut) => change({ leaveOut })}
      />
      <RuleChoice rule={priceRule} onChange={change} />
      <Text figures>
        {`${say(ruled.price)}, number ${ruled.position} of ${ruled.of} by price. ` +
          `${ruledWords(ruled, rule, currency)}`}
      </Text>
      <Button
        variant="main"
        label={`Ask ${say(ruled.price)} on ${sheet.name}`}
        onPress={() => editPlan(item.id, sheet.marketplace, `price on ${sheet.name}`, { price: ruled.price })}
      >
        {`Ask ${say(ruled.price)} there`}
      </Button>
    </View>
  );
}

/** What others ask, the cheapest first; a seller may be left out of the rule. */
function Copies(props: {
  sheet: RuleSheet;
  offers: readonly CompetingOffer[];
  leaveOut: readonly string[];
  onLeaveOut: (sellers: string[]) => void;
}) {
  const { sheet, offers, leaveOut, onLeaveOut } = props;
  const { currency } = useAttic((s) => s.settings);
  const say = (amount: number) => formatMoney(amount, currency);
  const left = (seller: string) => leaveOut.includes(seller);
  return (
    <View role="list" aria-label="Competing copies">
      {[...offers]
        .sort((a, b) => a.price + a.postage - b.price - b.postage)
        .map((o, i) => (
          <View
            key={`${o.seller}.${i}`}
            role="listitem"
            style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
          >
            <View style={{ flex: 1 }}>
              <Text tone={left(o.seller) ? 'soft' : 'ink'}>{o.seller}</Text>
              <Text variant="small" tone="soft" figures>
                {`${sheet.conditions.find((c) => c.wear === o.wear)?.label ?? ''} · ${say(o.price)} ` +
                  `and ${say(o.postage)} · ${o.rating} % content · posted in ${o.leavesIn} ` +
                  `days${left(o.seller) ? ' · left out' : ''}`}
              </Text>
            </View>
            <Button
              variant="quiet"
              label={`${left(o.seller) ? 'Count' : 'Leave out'} ${o.seller}`}
              onPress={() =>
                onLeaveOut(
                  left(o.seller)
                    ? leaveOut.filter((s) => s !== o.seller)
                    : [...leaveOut, o.seller].slice(0, 100),
                )
              }
            >
              {left(o.seller) ? 'Count' : 'Leave out'}
            </Button>
          </View>
        ))}
    </View>
  );
}

type Rule = Settings['priceRule'];

/** The person's own rule. */
function RuleChoice({ rule, onChange }: { rule: Rule; onChange: (part: Partial<Rule>) => void }) {
  const { currency } = useAttic((s) => s.settings);
  return (
    <>
      <ChipRow label="How to price it">
        {WAYS.map(([way, words]) => (
          <Chip key={way} on={rule.way === way} onPress={() => onChange({ way })}>
            {words}
          </Chip>
        ))}
      </ChipRow>
      {rule.way === 'match' ? null : (
        <MoneyField
          label={rule.way === 'undercut' ? 'Under it by' : 'Above it by'}
          value={rule.by}
          currency={currency}
          emptied="An amount."
          onChange={(by) => by !== null && onChange({ by })}
        />
      )}
      <ChipRow label="Compared with" radio={false}>
        <Chip
          role="checkbox"
          on={rule.likeForLike}
          onPress={() => onChange({ likeForLike: !rule.likeForLike })}
        >
          Only copies as good as this
        </Chip>
      </ChipRow>
    </>
  );
}
