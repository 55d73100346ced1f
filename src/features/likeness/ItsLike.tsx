import { useState } from 'react';
import { View } from 'react-native';

import type { Find } from '@/contract/likeness';
import type { Item } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { kindOfFind, kindsFound, lookAlikes } from '@/core/likeness/finds';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { changeKind } from '@/store/items/items';
import { useKinds } from '@/store/items/kinds';
import { usePicturesOf } from '@/store/pictures/usePicturesOf';
import { findAlikeOf, soughtOf, takeFind, useLikeness } from '@/store/research/likeness';
import { putLookAlikes } from '@/store/research/research';

import { FindList, MayBe } from './Finds';

/**
 * What is it? Asks with one picture of an item what was sold before that looks like it, and lets what is said
 * of these be taken: kind, words and maker to be confirmed, prices among the comparables.
 *
 * @param pictureId the one that is looked at; absent: all of it from the front
 */
export function ItsLike({ item, pictureId }: { item: Item; pictureId?: string }) {
  const state = useLikeness((s) => s[item.id]);
  const pictures = usePicturesOf(item);
  const sought = pictureId ?? (pictures.length > 0 ? soughtOf(item) : undefined);
  if (sought === undefined) return null;
  const isAsking = state !== undefined && 'asking' in state;
  return (
    <View role="group" aria-label="What looks like it" style={{ gap: 8 }}>
      <Button
        icon="search"
        disabled={isAsking}
        onPress={() => void findAlikeOf(item, sought)}
        style={{ alignSelf: 'stretch' }}
      >
        {isAsking
          ? 'Looking for its like…'
          : state
            ? 'Look for its like again'
            : 'What is it? Look for its like'}
      </Button>
      {state ? null : (
        <Text variant="small" tone="soft">
          A small copy of the picture goes to the likeness desk, without place, time or camera.
        </Text>
      )}
      {state && 'trouble' in state ? (
        <Notice tone="caution">{`${state.trouble} Nothing else was changed.`}</Notice>
      ) : null}
      {state && 'finds' in state ? (
        <OfItem key={state.at} item={item} finds={state.finds} own={state.picture} />
      ) : null}
    </View>
  );
}

function OfItem({ item, finds, own }: { item: Item; finds: Find[]; own: Blob }) {
  const kinds = useKinds();
  const currency = useAttic((s) => s.settings.currency);
  const [taken, setTaken] = useState<Record<string, number>>({});
  const [priced, setPriced] = useState<number | null>(null);
  // Of another kind, a price says nothing of this one.
  const kind = item.kind === '' ? kindsFound(finds, kinds)[0]?.kind : item.kind;
  const same = finds.filter((find) => kindOfFind(find, kinds) === kind);
  const comps = lookAlikes(same, currency);
  return (
    <View style={{ gap: 10 }}>
      <MayBe finds={finds} own={own} kind={item.kind} onKind={(one) => changeKind(item.id, one)} />
      <FindList
        finds={finds}
        doings={(find) =>
          taken[find.id] === undefined ? (
            <Button
              variant="quiet"
              label={`Take what is said of ${find.title}`}
              onPress={() => setTaken({ ...taken, [find.id]: takeFind(item.id, find) })}
            >
              Take its words
            </Button>
          ) : (
            <Text variant="small" tone="soft" role="status">
              {takenWords(taken[find.id] ?? 0)}
            </Text>
          )
        }
      />
      {comps.length === 0 ? null : priced === null ? (
        <Button
          icon="add"
          onPress={() => {
            putLookAlikes(item.id, comps, kinds.get(kind ?? '')?.titleWords ?? '');
            setPriced(comps.length);
          }}
        >
          {`${counted(comps.length, 'price')} to the comparables`}
        </Button>
      ) : (
        <Text tone="good" role="status">
          {`${counted(priced, 'price')} among the sold comparables, marked as look-alikes.`}
        </Text>
      )}
    </View>
  );
}

const takenWords = (n: number) =>
  n === 0 ? 'It says nothing new.' : `${plural(n, 'One waits', `${n} wait`)} to be confirmed.`;
