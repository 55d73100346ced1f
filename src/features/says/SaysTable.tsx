import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { proposalsOf } from '@/core/reading/proposals';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { useKinds } from '@/store/items/kinds';
import { nameOf } from '@/store/items/names';
import { confirmAllOf } from '@/store/pictures/readings';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';
import { useColours } from '@/theme/theme';
import { fieldName } from '@/wording/kinds';
import { readingWords } from '@/wording/readings';

/** All of them at once: what was read plainly of each, what is doubtful, and what buyers read so far. */
export function SaysTable(props: { list: readonly Item[]; current: string; onChoose: (id: string) => void }) {
  const { list, current, onChoose } = props;
  const plain = list.map((item) => ({ item, count: proposalsOf(item).sure.length }));
  const sure = plain.reduce((sum, { count }) => sum + count, 0);
  const ready = plain.flatMap(({ item, count }) => (count > 0 ? item : []));
  return (
    <Card label="All of them">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }} figures>
          {`${list.length} items`}
        </Text>
        {sure > 0 ? (
          <Button variant="main" icon="check" onPress={() => confirmAllOf(ready)}>
            {`All of it is right: ${sure} of ${plural(ready.length, 'one item', `${ready.length} items`)}`}
          </Button>
        ) : null}
      </View>
      <View role="list" aria-label="What was read of each">
        {list.map((item) => (
          <Row key={item.id} item={item} on={item.id === current} onChoose={() => onChoose(item.id)} />
        ))}
      </View>
    </Card>
  );
}

function Row({ item, on, onChoose }: { item: Item; on: boolean; onChoose: () => void }) {
  const c = useColours();
  const kinds = useKinds();
  const units = useAttic((s) => s.settings.units);
  const { sure, laid, asked } = proposalsOf(item);
  const doubtful = laid.length + asked.length;
  const waiting = usePicturesOf(item).filter((p) => p.awaits).length;
  const name = nameOf(item);
  return (
    <View
      role="listitem"
      style={{ borderTopWidth: 1, borderColor: c.line, backgroundColor: on ? c.mossTint : undefined }}
    >
      <Pressable
        role="button"
        aria-label={`${item.code}: look at it`}
        aria-pressed={on}
        onPress={onChoose}
        style={{ flexDirection: 'row', gap: 12, padding: 8, minHeight: 64 }}
      >
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 52, height: 52 }} />
        <View style={{ width: 190 }}>
          <Text variant="strong" numberOfLines={2}>
            {name}
          </Text>
          <Text variant="small" tone="soft" figures>
            {[item.code === name ? '' : item.code, kinds.get(item.kind)?.name ?? 'no kind yet']
              .filter(Boolean)
              .join(' · ')}
          </Text>
        </View>
        <Text variant="small" figures style={{ flex: 1, minWidth: 0 }}>
          {sure.length > 0
            ? sure
                .map((r) => `${fieldName(r.field, item.kind, kinds)} ${readingWords(r, units, kinds)}`)
                .join(' · ')
            : waiting === 0
              ? 'Nothing plain to confirm'
              : null}
          {waiting > 0 ? ` Looking at ${plural(waiting, 'a picture', `${waiting} pictures`)}…` : null}
        </Text>
        <Text variant="small" tone={doubtful > 0 ? 'trouble' : 'soft'} figures style={{ width: 84 }}>
          {doubtful > 0 ? `${doubtful} doubtful` : waiting > 0 ? '' : 'none doubtful'}
        </Text>
      </Pressable>
    </View>
  );
}
