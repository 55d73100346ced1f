import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { PictureView } from '@/parts/trade/PictureView';
import { SignButton } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import type { PlanChange } from '@/store/items/items';

/** Which pictures go there and in which order, where that differs from what would be chosen. */
export function OwnPictures(props: {
  item: Item;
  examined: Examined;
  onChange: (change: PlanChange) => void;
}) {
  const { item, examined, onChange } = props;
  const { sheet, plan, media } = examined;
  const own = plan?.pictureIds ?? null;
  const shown = media.pictures.map((p) => p.id);
  const ids = own ?? shown;
  const others = item.pictureIds.filter((id) => !ids.includes(id));
  const put = (next: (ids: readonly string[]) => string[]) =>
    onChange((now) => ({ pictureIds: next(now.pictureIds ?? shown) }));
  const nameOf = (id: string) => `picture ${item.pictureIds.indexOf(id) + 1}`;
  return (
    <View role="group" aria-label={`Pictures on ${sheet.name}`} style={{ gap: 8 }}>
      <Text variant="small" tone="soft" figures>
        {`${ids.length} of at most ${sheet.photos.max}; the first is the cover.`}
      </Text>
      {ids.map((id, i) => (
        <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <PictureView id={id} alt="" style={{ width: 52, height: 52 }} />
          <Text style={{ flex: 1 }} figures>
            {i === 0 ? 'Cover' : `Place ${i + 1}`}
          </Text>
          <SignButton
            icon="up"
            label={`Earlier on ${sheet.name}: ${nameOf(id)}`}
            disabled={i === 0}
            onPress={() => put((now) => earlier(now, id))}
          />
          <SignButton
            icon="close"
            label={`Leave out on ${sheet.name}: ${nameOf(id)}`}
            onPress={() => put((now) => now.filter((x) => x !== id))}
          />
        </View>
      ))}
      {others.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
          {others.map((id) => (
            <View key={id} style={{ alignItems: 'center' }}>
              <PictureView id={id} alt="" style={{ width: 44, height: 44, opacity: 0.6 }} />
              <SignButton
                icon="add"
                label={`Send to ${sheet.name} too: ${nameOf(id)}`}
                onPress={() => put((now) => [...now.filter((x) => x !== id), id])}
              />
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}

/** One picture changes places with the one before it. */
function earlier(ids: readonly string[], id: string): string[] {
  const at = ids.indexOf(id);
  if (at < 1) return [...ids];
  const before = ids.slice(0, at - 1);
  return [...before, id, ...ids.slice(at - 1, at), ...ids.slice(at + 1)];
}
