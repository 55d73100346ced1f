import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { floorHere, inlandPostage } from '@/core/listing/effective';
import { ratesOf } from '@/core/listing/setup';
import { formatMoney } from '@/core/money/money';
import { summarise } from '@/core/price/comps';
import { underFloor } from '@/core/price/floor';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';
import { editThing } from '@/store/things';

import { useJudged } from './useJudged';

/** The least it has to bring, and whether others ever pay as much. */
export function Floor({ thing }: { thing: Thing }) {
  const currency = useAttic((s) => s.settings.currency);
  const settings = useAttic((s) => s.settings);
  const { multiples } = settings;
  const kinds = useKinds();
  const posted = inlandPostage(thing, kinds, ratesOf(settings));
  const judged = useJudged(thing.id);
  const floor = floorHere(thing, kinds, settings);
  if (floor === null || thing.cost === null) return null;
  const times = thing.price !== null && thing.cost > 0 ? thing.price / thing.cost : null;
  const multiple = thing.restockable ? multiples.again : multiples.oneOff;
  const trouble = underFloor(floor, summarise(judged).typical, currency);
  return (
    <View style={{ gap: 6 }}>
      <Words tone="soft" figures>
        {`${times === null ? '' : `${times.toFixed(1)} times what it cost. `}Floor ${formatMoney(floor, currency)}: ${multiple} times the cost${thing.postageBy === 'builtIn' ? ', with the postage' : ''}.`}
      </Words>
      <ChipRow label="How it is sold" radio={false}>
        <Chip
          role="checkbox"
          on={thing.restockable}
          onPress={() => editThing(thing.id, 'more can be had', { restockable: !thing.restockable })}
        >
          More of it can be had
        </Chip>
        <Chip
          role="checkbox"
          on={thing.postageBy === 'builtIn'}
          onPress={() =>
            editThing(thing.id, 'postage', { postageBy: thing.postageBy === 'builtIn' ? 'apart' : 'builtIn' })
          }
        >
          Postage built into the price
        </Chip>
      </ChipRow>
      {thing.postageBy === 'builtIn' && posted.ok ? (
        <Words kind="small" tone="soft" figures>
          {`Buyers pay no postage: ${formatMoney(posted.price, currency)} of the price goes to the carrier, and fees are taken of it too.`}
        </Words>
      ) : null}
      {trouble ? <Notice tone="caution">{trouble}</Notice> : null}
    </View>
  );
}
