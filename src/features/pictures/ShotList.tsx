import { Pressable, View } from 'react-native';

import type { Thing } from '@/contract/records';
import { nextShot, type Shot } from '@/core/picture/shots';
import { Icon } from '@/parts/Icon';
import { Press } from '@/parts/Press';
import { Slide } from '@/parts/Slide';
import { Words } from '@/parts/Words';
import { editThing } from '@/store/things';
import { FONT, useColours } from '@/theme/theme';

export interface ShotListProps {
  thing: Thing | undefined;
  shots: readonly Shot[];
  /** The one the next picture is for. */
  current: Shot | null;
  onChoose: (id: string) => void;
}

/** What is still to be taken; ticks itself off, and anything can be skipped. */
export function ShotList({ thing, shots, current, onChoose }: ShotListProps) {
  const c = useColours();
  const left = shots.filter((s) => s.state === 'open').length;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }} role="status">
          <Words kind="strong">{current ? `Now: ${current.name}` : 'Everything on the list is taken'}</Words>
          <Words kind="small" tone="soft">
            {current
              ? `${current.how}. ${left === 1 ? 'The last one' : `${left} to go`}`
              : 'More pictures are welcome'}
          </Words>
        </View>
        {current && thing ? (
          <Press
            kind="quiet"
            label={`Skip: ${current.name}`}
            onPress={() =>
              editThing(thing.id, 'shot skipped', (t) => ({ skippedShots: [...t.skippedShots, current.id] }))
            }
          >
            Skip
          </Press>
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
              <Words
                kind="small"
                tone={shot.state === 'skipped' ? 'soft' : undefined}
                style={{
                  fontFamily: on ? FONT.strong : FONT.text,
                  textDecorationLine: shot.state === 'skipped' ? 'line-through' : 'none',
                }}
              >
                {shot.name}
              </Words>
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
