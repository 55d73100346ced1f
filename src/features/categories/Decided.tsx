import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';

import { Lines } from './Lines';
import type { There } from './useThere';

/** What was decided before: put right here, too. */
export function Decided({ there, onAsk }: { there: readonly There[]; onAsk: (one: There) => void }) {
  return (
    <Card label="Decided">
      <Text variant="heading">{`Decided: ${there.length}`}</Text>
      <Lines label="Decided ones" there={there} onAsk={onAsk} />
    </Card>
  );
}
