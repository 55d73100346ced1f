import { useRouter } from 'expo-router';
import { View } from 'react-native';

import { counted } from '@/core/language/plural';
import { FilesNotTaken } from '@/parts/trade/FilesNotTaken';
import { FillInButton } from '@/parts/trade/FillInButton';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { usePicturesBeside } from '@/store/tables/beside';
import { putTableAway, useTableIn } from '@/store/tables/tableIn';

/** What came of a table. */
export function TakenTable() {
  const router = useRouter();
  const made = useTableIn((s) => s.made);
  const changed = useTableIn((s) => s.changed);
  const pictures = usePicturesBeside();
  const said = [
    made.length > 0 ? `${counted(made.length, 'item')} made` : '',
    changed > 0 ? `${counted(changed, 'item')} changed` : '',
  ].filter(Boolean);
  return (
    <Card label="Taken">
      <View role="status">
        <Text variant="heading" tone="good" figures>
          {said.length > 0 ? `${said.join(', ')}.` : 'Nothing was taken.'}
        </Text>
      </View>
      <Text tone="soft">Undo takes all of it back.</Text>
      {pictures.of > 0 ? (
        <Text figures role="status">
          {pictures.done < pictures.of
            ? `Pictures of ${pictures.done} of ${counted(pictures.of, 'item')} …`
            : 'Its pictures are taken.'}
        </Text>
      ) : null}
      <FilesNotTaken files={pictures.notTaken} kept={0} />
      <View style={{ gap: 10 }}>
        {made.length > 0 ? <FillInButton ids={made} main /> : null}
        <Button
          onPress={() => {
            putTableAway();
            router.navigate('/stock');
          }}
        >
          To the stock
        </Button>
        <Button variant="quiet" onPress={putTableAway}>
          Another table
        </Button>
      </View>
    </Card>
  );
}
