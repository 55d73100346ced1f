import { group } from 'd3-array';
import { View } from 'react-native';

import { pathOf } from '@/parts/trade/CategoryFinder';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { decideCategories } from '@/store/items/mappings';

import type { There } from './useThere';

/** From so many kinds on, one answer for all of them is worth a line. */
const MANY = 3;

/** Where one answer may serve for all that is doubtful on a marketplace: a press each. */
export function OneForAll({ there }: { there: readonly There[] }) {
  const lines = [...group(there, (t) => t.market).values()].flatMap((of) => {
    const open = of.filter((t) => t.state === 'doubtful');
    const [first] = open;
    const shared = (first?.candidates ?? []).filter((id) => open.every((t) => t.candidates.includes(id)));
    return first && open.length >= MANY && shared.length > 0 ? [{ sheet: first.sheet, open, shared }] : [];
  });
  if (lines.length === 0) return null;
  return (
    <Card label="One answer for all">
      <Text variant="heading">One answer for all</Text>
      {lines.map(({ sheet, open, shared }) => (
        <View key={sheet.marketplace} style={{ gap: 6 }}>
          <Text>{`All ${open.length} that are open on ${sheet.name}`}</Text>
          <ChipRow label={`All that are open on ${sheet.name}`} radio={false}>
            {shared.flatMap((id) => {
              const category = sheet.categories.find((c) => c.id === id);
              return category ? (
                <Chip
                  key={id}
                  role="button"
                  on={false}
                  label={`All ${open.length} on ${sheet.name}: ${pathOf(sheet, category)}`}
                  onPress={() =>
                    decideCategories(
                      open.map(({ market, kind, items }) => ({ market, kind, items, category: id })),
                    )
                  }
                >
                  {pathOf(sheet, category)}
                </Chip>
              ) : (
                []
              );
            })}
          </ChipRow>
        </View>
      ))}
    </Card>
  );
}
