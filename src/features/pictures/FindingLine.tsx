import { useState } from 'react';
import { Pressable, View } from 'react-native';

import type { Picture, Item } from '@/contract/records';
import { Text } from '@/parts/ui/Text';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';
import { pictureFindingFigure, pictureFindingWords } from '@/wording/pictures';

import { usePictureFindings } from './usePictureFindings';
import type { Sought } from './useTwin';

/** One line under a picture: the most useful item to say. A tap tells the rest, with the numbers. */
export function FindingLine({ item, picture }: { item: Item; picture: Picture }) {
  const c = useColours();
  const { findings, sought } = usePictureFindings(item, picture);
  const [open, setOpen] = useState(false);
  const first = findings[0];
  const more = findings.length - 1;
  const words = first ? pictureFindingWords(first) : nothingFound(picture, sought);
  const isCalm = picture.made !== null || (picture.exam !== null && sought.is === 'known');
  return (
    <View>
      <Pressable
        role="button"
        aria-expanded={open}
        aria-label={`About this picture: ${words}`}
        onPress={() => setOpen(!open)}
        style={{ flexDirection: 'row', alignItems: 'center', gap: 7, minHeight: 44 }}
      >
        <Icon
          name={first ? 'caution' : isCalm ? 'check' : 'search'}
          colour={first ? c.brassInk : isCalm ? c.moss : c.soft}
          size={18}
        />
        <Text variant="small" style={{ flex: 1, fontSize: 15, lineHeight: 20 }} role="status">
          {words}
        </Text>
        {more > 0 ? (
          <Text variant="small" tone="soft">
            {`${more} more`}
          </Text>
        ) : null}
        <Icon name={open ? 'unfold' : 'forward'} colour={c.soft} size={18} />
      </Pressable>
      {open ? (
        <View style={{ gap: 6, paddingLeft: 25, paddingBottom: 6 }}>
          {findings.map((f) => (
            <View key={f.aspect}>
              {f === first ? null : <Text variant="small">{pictureFindingWords(f)}</Text>}
              <Text variant="small" tone="soft" figures>
                {pictureFindingFigure(f)}
              </Text>
            </View>
          ))}
          {picture.exam && !picture.made ? (
            <Text variant="small" tone="soft" figures>
              {`Edges ${picture.exam.blur.toFixed(1)} px · fills ` +
                `${Math.round(Math.max(picture.exam.box[2], picture.exam.box[3]) * 100)} % · ` +
                `background ±${picture.exam.grounds.toFixed(1)} ΔE · ${picture.width} × ` +
                `${picture.height}`}
            </Text>
          ) : null}
        </View>
      ) : null}
    </View>
  );
}

/** Calm is said only of what was looked at. */
function nothingFound({ made, exam }: Picture, { is }: Sought): string {
  if (made) return 'Figures follow the measurements.';
  if (!exam) return 'Not looked at yet.';
  if (is === 'asked') return 'Comparing it with your other pictures …';
  return is === 'known' ? 'Nothing to put right.' : 'Nothing to put right; not compared with your others.';
}
