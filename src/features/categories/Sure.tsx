import { plural } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { decideCategories } from '@/store/items/mappings';

import { Lines } from './Lines';
import type { There } from './useThere';

/** What nothing speaks against: taken together with one press. */
export function Sure({ there, onAsk }: { there: readonly There[]; onAsk: (one: There) => void }) {
  const take = () =>
    decideCategories(
      there.flatMap(({ category, market, kind, items }) =>
        category === null ? [] : [{ category, market, kind, items }],
      ),
    );
  return (
    <Card label="Sure">
      <Text variant="heading">{`Sure: ${there.length}`}</Text>
      <Text tone="soft">Their names say so. Taken, they hold for all items of the kind from now on.</Text>
      <Button variant="main" icon="check" onPress={take} style={{ alignSelf: 'flex-start' }}>
        {plural(there.length, 'Take the one that is sure', `Take all ${there.length} sure ones`)}
      </Button>
      <Lines label="Sure ones" there={there} onAsk={onAsk} />
    </Card>
  );
}
