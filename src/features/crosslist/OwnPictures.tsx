import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import type { Examined } from '@/core/listing/examine';
import { PictureView } from '@/parts/PictureView';
import { Press, SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';

/** Which pictures go there and in which order, where that differs from what would be chosen. */
export function OwnPictures(props: {
  thing: Thing;
  examined: Examined;
  onChange: (ids: string[] | null) => void;
}) {
  const { thing, examined, onChange } = props;
  const { sheet, plan, media } = examined;
  const own = plan?.pictureIds ?? null;
  const ids = own ?? media.pictures.map((p) => p.id);
  const others = thing.pictureIds.filter((id) => !ids.includes(id));
  const swapped = (i: number, j: number) => {
    const next = [...ids];
    [next[i], next[j]] = [next[j]!, next[i]!];
    return next;
  };
  const nameOf = (id: string) => `picture ${thing.pictureIds.indexOf(id) + 1}`;
  return (
    <View role="group" aria-label={`Pictures on ${sheet.name}`} style={{ gap: 8 }}>
      <Words kind="small" tone="soft" figures>
        {`${ids.length} of at most ${sheet.photos.max}; the first is the cover.`}
      </Words>
      {ids.map((id, i) => (
        <View key={id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <PictureView id={id} alt="" style={{ width: 52, height: 52 }} />
          <Words style={{ flex: 1 }} figures>
            {i === 0 ? 'Cover' : `Place ${i + 1}`}
          </Words>
          <SignPress
            icon="up"
            label={`Earlier on ${sheet.name}: ${nameOf(id)}`}
            disabled={i === 0}
            onPress={() => onChange(swapped(i, i - 1))}
          />
          <SignPress
            icon="close"
            label={`Leave out on ${sheet.name}: ${nameOf(id)}`}
            onPress={() => onChange(ids.filter((x) => x !== id))}
          />
        </View>
      ))}
      {others.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, alignItems: 'center' }}>
          {others.map((id) => (
            <View key={id} style={{ alignItems: 'center' }}>
              <PictureView id={id} alt="" style={{ width: 44, height: 44, opacity: 0.6 }} />
              <SignPress
                icon="add"
                label={`Send to ${sheet.name} too: ${nameOf(id)}`}
                onPress={() => onChange([...ids, id])}
              />
            </View>
          ))}
        </View>
      ) : null}
      {own ? (
        <Press kind="quiet" label={`Give back own pictures on ${sheet.name}`} onPress={() => onChange(null)}>
          Give back: as chosen for buyers there
        </Press>
      ) : null}
    </View>
  );
}
