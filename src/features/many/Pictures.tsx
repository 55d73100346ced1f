import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { PictureView } from '@/parts/trade/PictureView';
import { useAttic } from '@/store/attic/attic';
import { useColours } from '@/theme/theme';

/**
 * The picture in which the answer most likely stands, with the others to tap.
 *
 * @param wanted what it has to show, the likeliest first
 */
export function Pictures({ item, wanted }: { item: Item; wanted: readonly string[] }) {
  const c = useColours();
  const pictures = useAttic((s) => s.pictures);
  const best =
    wanted.flatMap((shows) => item.pictureIds.find((id) => pictures[id]?.shows === shows) ?? [])[0] ??
    item.pictureIds[0];
  const [chosen, setChosen] = useState<string | null>(null);
  const at = chosen ?? best;
  if (!at) return null;
  return (
    <View style={{ gap: 6 }}>
      <PictureView
        id={at}
        size="full"
        whole
        alt={`Picture ${item.pictureIds.indexOf(at) + 1}`}
        style={{ width: '100%', height: 210 }}
      />
      {item.pictureIds.length > 1 ? (
        <View style={{ flexDirection: 'row', gap: 6, flexWrap: 'wrap' }}>
          {item.pictureIds.slice(0, 6).map((id, i) => (
            <Pressable
              key={id}
              role="button"
              aria-label={`Look at picture ${i + 1}`}
              onPress={() => setChosen(id)}
              style={{ borderWidth: 2, borderColor: id === at ? c.moss : 'transparent', borderRadius: 8 }}
            >
              <PictureView id={id} alt="" style={{ width: 44, height: 44 }} />
            </Pressable>
          ))}
        </View>
      ) : null}
    </View>
  );
}
