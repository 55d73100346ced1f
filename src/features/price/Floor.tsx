import { View } from 'react-native';

import type { Item } from '@/contract/records';
import { floorHere, inlandPostage } from '@/core/listing/effective';
import { ratesOf } from '@/core/listing/setup';
import { formatMoney } from '@/core/money/money';
import { summarise } from '@/core/price/comps';
import { paysUnderFloor } from '@/core/price/floor';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { editItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { underFloorWords } from '@/wording/price';

import { useJudged } from './useJudged';

/** The least it has to bring, and whether others ever pay as much. */
export function Floor({ item }: { item: Item }) {
  const currency = useAttic((s) => s.settings.currency);
  const settings = useAttic((s) => s.settings);
  const { multiples } = settings;
  const kinds = useKinds();
  const posted = inlandPostage(item, kinds, ratesOf(settings));
  const judged = useJudged(item.id);
  const floor = floorHere(item, kinds, settings);
  if (floor === null || item.cost === null) return null;
  const times = item.price !== null && item.cost > 0 ? item.price / item.cost : null;
  const multiple = item.restockable ? multiples.again : multiples.oneOff;
  const { typical } = summarise(judged);
  return (
    <View style={{ gap: 6 }}>
      <Text tone="soft" figures>
        {`${times === null ? '' : `${times.toFixed(1)} times what it cost. `}Floor ` +
          `${formatMoney(floor, currency)}: ${multiple} times the ` +
          `cost${item.postageBy === 'builtIn' ? ', with the postage' : ''}.`}
      </Text>
      <ChipRow label="How it is sold" radio={false}>
        <Chip
          role="checkbox"
          on={item.restockable}
          onPress={() => editItem(item.id, 'more can be had', { restockable: !item.restockable })}
        >
          Can be restocked
        </Chip>
        <Chip
          role="checkbox"
          on={item.postageBy === 'builtIn'}
          onPress={() =>
            editItem(item.id, 'postage', { postageBy: item.postageBy === 'builtIn' ? 'apart' : 'builtIn' })
          }
        >
          Postage built into the price
        </Chip>
      </ChipRow>
      {item.postageBy === 'builtIn' && posted.ok ? (
        <Text variant="small" tone="soft" figures>
          {`Buyers pay no postage: ${formatMoney(posted.price, currency)} of the price goes to the ` +
            'carrier, and fees are taken of it too.'}
        </Text>
      ) : null}
      {typical !== null && paysUnderFloor(floor, typical) ? (
        <Notice tone="caution">{underFloorWords(floor, typical, currency)}</Notice>
      ) : null}
    </View>
  );
}
