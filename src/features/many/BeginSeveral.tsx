import { useState } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { KindChooser } from '@/parts/trade/KindPicker';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { WholeField } from '@/parts/ui/WholeField';
import { useKinds } from '@/store/items/kinds';
import { fillInMany } from '@/store/items/many';
import { beginSeveral } from '@/store/items/several';

/** Most that are begun at once. */
const MOST = 200;
/** What nobody has said anything of. */
const NEW = { id: 'new', kind: '', title: '', facts: {}, readings: [] };

/** Several new items of one kind, before there is a picture; what they share is said once. */
export function BeginSeveral() {
  const kinds = useKinds();
  const [kind, setKind] = useState<string | null>(null);
  const [count, setCount] = useState(20);
  return (
    <Card label="Several new ones of one kind">
      <Text variant="heading">Several new ones of one kind</Text>
      {kind === null ? (
        <KindChooser item={NEW} onChoose={setKind} />
      ) : (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Text variant="strong" style={{ flex: 1 }}>
            {kinds.pathWords(kind)}
          </Text>
          <Button variant="quiet" onPress={() => setKind(null)}>
            Another kind
          </Button>
        </View>
      )}
      <WholeField label="How many" value={count} least={1} most={MOST} onChange={setCount} />
      <Button
        variant="main"
        icon="add"
        disabled={kind === null}
        onPress={() => kind !== null && fillInMany(beginSeveral(kind, count))}
      >
        {plural(count, 'Begin one item', `Begin ${count} items`)}
      </Button>
    </Card>
  );
}
