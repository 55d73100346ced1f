import { View } from 'react-native';

import { MOST_STOCK } from '@/contract/choices';
import type { Item } from '@/contract/records';
import { leftOf, severalAlike } from '@/core/choices/choices';
import { listed } from '@/core/language/listed';
import type { Examined } from '@/core/listing/examine';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useCourier } from '@/store/courier/courierLink';
import { editItem } from '@/store/items/items';

import { ShownOfIt } from './ShownOfIt';

/** Several just alike: how many there are, how many of them buyers see, and where they are counted. */
export function AlikeFields(props: { item: Item; findings: readonly Examined[]; onVary: () => void }) {
  const { item, findings, onVary } = props;
  const { choices } = item;
  const sales = useCourier((s) => s.items[item.id]?.pieceSales);
  if (!choices) return null;
  const stock = choices.pieces[0]?.stock ?? 0;
  const left = leftOf(choices, sales ?? []);
  return (
    <>
      <WholeField
        label="How many, with those sold"
        value={stock}
        least={0}
        most={MOST_STOCK}
        onChange={(n) =>
          editItem(item.id, 'how many', (t) => ({ choices: severalAlike(t.choices, n, t.code) }))
        }
      />
      {left < stock ? <Text figures>{`${stock - left} sold, ${left} left.`}</Text> : null}
      <ShownOfIt item={item} ofEach={false} />
      <Counted findings={findings} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button variant="quiet" onPress={() => editItem(item.id, 'one of a kind', { choices: null })}>
          One of a kind after all
        </Button>
        <Button variant="quiet" label="Sell it in variations" onPress={onVary}>
          Add variations
        </Button>
      </View>
    </>
  );
}

/** Who counts them, and who shows one at a time. */
function Counted({ findings }: { findings: readonly Examined[] }) {
  const wanted = findings.filter((e) => e.plan?.wanted);
  const names = (is: (e: Examined) => boolean) => wanted.filter(is).map((e) => e.sheet.name);
  const isOne = (e: Examined) => e.effective.choices?.oneAtATime === true;
  const counted = names((e) => !isOne(e));
  const one = names((e) => isOne(e) && !e.sheet.byHand && !e.effective.auction);
  const yours = names((e) => isOne(e) && (e.sheet.byHand === true || e.effective.auction !== null));
  if (wanted.length === 0) return null;
  return (
    <Text variant="small" tone="soft">
      {[
        counted.length > 0 ? `Counted down on ${listed(counted, 'and')}.` : '',
        one.length > 0
          ? `One at a time on ${listed(one, 'and')}: when it sells there, the next goes up by itself.`
          : '',
        yours.length > 0 ? `One at a time on ${listed(yours, 'and')}: the next is for you to put up.` : '',
      ]
        .filter(Boolean)
        .join(' ')}
    </Text>
  );
}
