import { View } from 'react-native';

import { MOST_STOCK } from '@/contract/choices';
import type { Item, Plan } from '@/contract/records';
import { isAlike } from '@/core/choices/choices';
import type { Examined } from '@/core/listing/examine';
import { MoneyField } from '@/parts/trade/MoneyField';
import { WholeField } from '@/parts/ui/WholeField';
import type { PlanChange } from '@/store/items/items';

type Pieces = NonNullable<Plan['pieces']>;
const NONE: Pieces = { prices: {}, heldBack: null, cap: null };

/** What the pieces of an item cost on one marketplace, and how many of each are shown there. */
export function OwnPieces(props: { item: Item; examined: Examined; onChange: (change: PlanChange) => void }) {
  const { item, examined, onChange } = props;
  const { sheet, plan } = examined;
  const { choices } = item;
  if (!choices) return null;
  const own = plan?.pieces ?? NONE;
  const put = (change: (now: Pieces) => Partial<Pieces>) =>
    onChange((now) => {
      const before = now.pieces ?? NONE;
      return { pieces: { ...before, ...change(before) } };
    });
  return (
    <View role="group" aria-label={`Pieces on ${sheet.name}`} style={{ gap: 8 }}>
      {isAlike(choices)
        ? null
        : choices.pieces.map((piece) => {
            const words = piece.values.join(', ');
            return (
              <MoneyField
                key={piece.code}
                label={`Price of ${words} on ${sheet.name}`}
                value={own.prices[piece.code] ?? null}
                currency={sheet.currency}
                placeholder="as shared"
                onChange={(price) =>
                  put(({ prices: { [piece.code]: _, ...rest } }) => ({
                    prices: price === null ? rest : { ...rest, [piece.code]: price },
                  }))
                }
              />
            );
          })}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <View style={{ flex: 1 }}>
          <WholeField
            label={`Hold back on ${sheet.name}`}
            value={own.heldBack ?? choices.heldBack}
            least={0}
            most={1_000}
            onChange={(heldBack) => put(() => ({ heldBack }))}
          />
        </View>
        <View style={{ flex: 1 }}>
          <WholeField
            label={`Shown at most on ${sheet.name} (0: as shared)`}
            value={own.cap ?? 0}
            least={0}
            most={MOST_STOCK}
            onChange={(cap) => put(() => ({ cap: cap === 0 ? null : cap }))}
          />
        </View>
      </View>
    </View>
  );
}
