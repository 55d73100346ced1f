import { View } from 'react-native';

import type { CompetingOffer } from '@/contract/comps';
import type { RuleSheet } from '@/contract/ruleSheet';
import { plural } from '@/core/language/plural';
import { formatMoney } from '@/core/money/money';
import { lowestOf, type NotCounted } from '@/core/price/following';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { notCountedWords } from '@/wording/price';

/** What others ask, the cheapest first, and whether each counts; any of them is left out or taken in. */
export function Copies(props: {
  sheet: RuleSheet;
  offers: readonly CompetingOffer[];
  why: (copy: CompetingOffer) => NotCounted | null;
  onLeaveOut: (seller: string) => void;
  onTakeIn: (seller: string) => void;
}) {
  const { sheet, offers, why, onLeaveOut, onTakeIn } = props;
  const say = (amount: number) => formatMoney(amount, sheet.currency);
  const lowest = lowestOf(offers);
  return (
    <View style={{ gap: 6 }}>
      <Text figures>
        {`${plural(offers.length, 'One copy', `${offers.length} copies`)} there: `}
        {[
          lowest.new === null ? 'none new' : `lowest new ${say(lowest.new)}`,
          lowest.used === null ? 'none used' : `lowest used ${say(lowest.used)}`,
        ].join(', ')}
        {', with postage.'}
      </Text>
      <View role="list" aria-label="Competing copies" style={{ gap: 8 }}>
        {[...offers]
          .sort((a, b) => a.price + a.postage - b.price - b.postage)
          .map((o, i) => {
            const out = why(o);
            return (
              <View
                key={`${o.seller}.${i}`}
                role="listitem"
                style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}
              >
                <View style={{ flex: 1 }}>
                  <Text tone={out === null ? 'ink' : 'soft'} figures>
                    {`${o.seller}: ${say(o.price + o.postage)}`}
                  </Text>
                  <Text variant="small" tone="soft" figures>
                    {[
                      sheet.conditions.find((c) => c.wear === o.wear)?.label,
                      `${say(o.price)} and ${say(o.postage)} postage`,
                      o.own ? '' : `${o.rating} % content`,
                      `posted in ${plural(o.leavesIn, 'a day', `${o.leavesIn} days`)}`,
                      out === null ? '' : notCountedWords(out),
                    ]
                      .filter(Boolean)
                      .join(' · ')}
                  </Text>
                </View>
                {out === null ? (
                  <Button
                    variant="quiet"
                    label={`Leave out ${o.seller}`}
                    onPress={() => onLeaveOut(o.seller)}
                  >
                    Leave out
                  </Button>
                ) : out === 'leftOut' || out === 'follows' ? (
                  <Button variant="quiet" label={`Count ${o.seller}`} onPress={() => onTakeIn(o.seller)}>
                    Count
                  </Button>
                ) : null}
              </View>
            );
          })}
      </View>
    </View>
  );
}
