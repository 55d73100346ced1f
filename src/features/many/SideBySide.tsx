import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { shown, type Ways } from '@/core/stock/bulk';
import { askedOf, isAsked, type Question } from '@/core/stock/questions';
import { KindPicker } from '@/parts/trade/KindPicker';
import { PictureView } from '@/parts/trade/PictureView';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { fillInMany } from '@/store/items/many';
import { nameOf } from '@/store/items/names';
import { useColours } from '@/theme/theme';

import { OneAnswer } from './OneAnswer';
import { Pictures } from './Pictures';

/** At a desk: the items at the left, the one at hand at the right with its picture and what differs. */
export function SideBySide(props: { list: readonly Item[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const [chosen, setChosen] = useState<string | null>(null);
  const at = Math.max(
    0,
    list.findIndex((t) => t.id === chosen),
  );
  const item = list[at];
  if (!item) return null;
  const leaveOut = () => {
    setChosen(list[at + 1]?.id ?? list[at - 1]?.id ?? null);
    fillInMany(list.filter((t) => t.id !== item.id).map((t) => t.id));
  };
  return (
    <View style={{ flexDirection: 'row', gap: 16, alignItems: 'flex-start' }}>
      <ScrollView
        style={{ width: 300, flexGrow: 0, maxHeight: 640 }}
        role="list"
        aria-label="Items to fill in"
      >
        {list.map((one) => (
          <Line
            key={one.id}
            item={one}
            open={openOf(one, questions, ways)}
            on={one.id === item.id}
            onPress={() => setChosen(one.id)}
          />
        ))}
      </ScrollView>
      <View style={{ flex: 1, minWidth: 0 }}>
        <Card label={`What differs of ${nameOf(item)}`}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Text variant="heading" numberOfLines={2}>
                {nameOf(item)}
              </Text>
              <Text variant="small" tone="soft" figures>
                {`${item.code} · ${at + 1} of ${list.length}`}
              </Text>
            </View>
            <Button variant="quiet" label={`Leave ${nameOf(item)} out: it stays in stock`} onPress={leaveOut}>
              Leave it out
            </Button>
          </View>
          <View style={{ flexDirection: 'row', gap: 16, alignItems: 'flex-start' }}>
            <View style={{ width: 300 }}>
              <Pictures key={item.id} item={item} wanted={['front']} />
            </View>
            <View key={item.id} style={{ flex: 1, minWidth: 0, gap: 10 }}>
              <KindPicker item={item} />
              {questions
                .filter((q) => q.target !== 'kind' && isAsked(item, q, ways))
                .map((q) => (
                  <OneAnswer key={q.target} item={item} question={askedOf(item, q, ways)} ways={ways} />
                ))}
              <Button
                variant="main"
                disabled={at + 1 >= list.length}
                onPress={() => setChosen(list[at + 1]?.id ?? null)}
              >
                {at + 1 < list.length ? 'The next item' : 'That was the last'}
              </Button>
            </View>
          </View>
        </Card>
      </View>
    </View>
  );
}

/** How many questions are still open of an item. */
function openOf(item: Item, questions: readonly Question[], ways: Ways): number {
  return questions.filter((q) => isAsked(item, q, ways) && shown(item, q.target, ways) === '').length;
}

function Line(props: { item: Item; open: number; on: boolean; onPress: () => void }) {
  const { item, open, on, onPress } = props;
  const c = useColours();
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-pressed={on}
        aria-label={`${nameOf(item)}, ${open === 0 ? 'all said' : `${open} open`}`}
        onPress={onPress}
        style={{
          flexDirection: 'row',
          alignItems: 'center',
          gap: 10,
          minHeight: 60,
          paddingHorizontal: 8,
          borderRadius: 10,
          backgroundColor: on ? c.mossTint : undefined,
        }}
      >
        <PictureView id={item.pictureIds[0]} alt="" style={{ width: 44, height: 44 }} />
        <View style={{ flex: 1, minWidth: 0 }}>
          <Text numberOfLines={1}>{nameOf(item)}</Text>
          <Text variant="small" tone={open === 0 ? 'good' : 'soft'} figures>
            {open === 0 ? 'all said' : plural(open, 'one question open', `${open} questions open`)}
          </Text>
        </View>
      </Pressable>
    </View>
  );
}
