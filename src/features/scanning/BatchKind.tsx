import { useState } from 'react';
import { View } from 'react-native';

import { KindChooser } from '@/parts/trade/KindPicker';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { blankItem } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';

/** Of which kind all of a batch are, where they are of one. */
export function BatchKind({ kind, onChoose }: { kind: string; onChoose: (kind: string) => void }) {
  const [choosing, setChoosing] = useState(false);
  const known = useKinds().get(kind);
  const choose = (id: string) => {
    setChoosing(false);
    onChoose(id);
  };
  if (choosing) return <KindChooser item={blankItem(kind)} onChoose={choose} />;
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
      <Text style={{ flexGrow: 1 }}>{known ? `Kind: ${known.name}` : 'Kind: as the look-up says'}</Text>
      <Button variant="quiet" onPress={() => setChoosing(true)}>
        {known ? 'Another kind' : 'One kind for all'}
      </Button>
      {known ? (
        <Button variant="quiet" onPress={() => choose('')}>
          As the look-up says
        </Button>
      ) : null}
    </View>
  );
}
