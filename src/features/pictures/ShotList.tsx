import { Pressable, View } from 'react-native';

import type { Item } from '@/contract/records';
import { plural } from '@/core/language/plural';
import { nextShot, type Shot } from '@/core/picture/shots';
import { Button } from '@/parts/ui/Button';
import { Slide } from '@/parts/ui/Slide';
import { Text } from '@/parts/ui/Text';
import { editItem } from '@/store/items/items';
import { Icon } from '@/theme/Icon';
import { FONT, useColours } from '@/theme/theme';

export interface ShotListProps {
  item: Item | undefined;
  shots: readonly Shot[];
  /** The one the next picture is for. */
  current: Shot | null;
  onChoose: (id: string) => void;
}

/** What is still to be taken; ticks itself off, and anything can be skipped. */
export function ShotList({ item, shots, current, onChoose }: ShotListProps) {
  const c = useColours();
  const left = shots.filter((s) => s.state === 'open').length;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }} role="status">
          <Text variant="strong">{current ? `Now: ${current.name}` : 'Everything on the list is taken'}</Text>
          <Text variant="small" tone="soft">
            {current
              ? `${current.how}. ${plural(left, 'The last one', `${left} to go`)}`
              : 'More pictures are welcome'}
          </Text>
        </View>
        {current && item ? (
          <Button
            variant="quiet"
            label={`Skip: ${current.name}`}
            onPress={() =>
              editItem(item.id, 'shot skipped', (t) => ({ skippedShots: [...t.skippedShots, current.id] }))
            }
          >
            Skip
          </Button>
        ) : null}
      </View>
      <Slide label="Shot list">
        {shots.map((shot) => {
          const on = shot.id === current?.id;
          const taken = shot.state === 'taken';
          return (
            <Pressable
              key={shot.id}
              role="button"
              aria-pressed={on}
              aria-label={`${shot.name}: ${WORDS[shot.state]}`}
              onPress={() => onChoose(shot.id)}
              style={{
                flexShrink: 0,
                minHeight: 44,
                flexDirection: 'row',
                alignItems: 'center',
                gap: 5,
                paddingHorizontal: 12,
                borderRadius: 22,
                borderWidth: 1.5,
                borderColor: on ? c.moss : c.line,
                backgroundColor: on ? c.mossTint : taken ? c.raised : c.surface,
              }}
            >
              {taken ? <Icon name="check" colour={c.moss} size={16} /> : null}
              <Text
                variant="small"
                tone={shot.state === 'skipped' ? 'soft' : undefined}
                style={{
                  fontFamily: on ? FONT.strong : FONT.text,
                  textDecorationLine: shot.state === 'skipped' ? 'line-through' : 'none',
                }}
              >
                {shot.name}
              </Text>
            </Pressable>
          );
        })}
      </Slide>
    </View>
  );
}

const WORDS: Record<Shot['state'], string> = { taken: 'taken', skipped: 'skipped', open: 'to take' };

/** The list, and what the next picture is for: as chosen, or the first open one. */
export function currentShot(shots: readonly Shot[], chosen: string | null): Shot | null {
  return shots.find((s) => s.id === chosen) ?? nextShot(shots);
}
