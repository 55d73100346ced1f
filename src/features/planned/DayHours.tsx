import {
  DndContext,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { addDays } from 'date-fns';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import type { PlannedItem } from '@/core/planning/planned';
import { hoursOf, movedTo, type HourOfDay } from '@/core/planning/times';
import { Button } from '@/parts/ui/Button';
import { ALOUD_BY_NAME } from '@/parts/ui/dragAloud';
import { MomentField } from '@/parts/ui/MomentField';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { clockWords, dayWords } from '@/parts/ui/time';
import { FONT, useColours } from '@/theme/theme';

export interface ShownPlan extends PlannedItem {
  name: string;
  letters: string;
}

const HOUR = 3_600_000;
const keyOf = ({ id, at }: PlannedItem) => `${id} ${at}`;

/** One day by the hour, as its clocks show it: what is planned is dragged to another hour, or pressed. */
export function DayHours(props: {
  day: number;
  now: number;
  planned: readonly ShownPlan[];
  onMove: (what: PlannedItem, at: number | null) => void;
}) {
  const { day, now, planned, onMove } = props;
  const [chosen, setChosen] = useState<string | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  );
  const all = hoursOf(day);
  // What is past can’t be planned.
  const hours = all.filter((h) => h.at + HOUR > now);
  const next = addDays(day, 1).getTime();
  const here = planned.filter((p) => p.at >= day && p.at < next);
  const one = here.find((p) => keyOf(p) === chosen);
  const dropped = ({ active, over }: DragEndEvent) => {
    const what = here.find((p) => keyOf(p) === active.id);
    const hour = hours.find((h) => String(h.at) === over?.id);
    if (!what || !hour) return;
    const at = movedTo(what.at, hour.at);
    if (at !== what.at && at > now) onMove(what, at);
  };
  return (
    <Card label={`Hours of ${dayWords(day)}`}>
      <Text variant="heading">{dayWords(day)}</Text>
      {all.length === 24 ? null : (
        <Text variant="small" tone="soft">
          {all.length < 24
            ? 'The clocks go forward: one hour is missing.'
            : 'The clocks go back: one hour comes twice.'}
        </Text>
      )}
      <DndContext
        sensors={sensors}
        accessibility={ALOUD_BY_NAME}
        collisionDetection={pointerWithin}
        onDragEnd={dropped}
      >
        <View role="list" aria-label="Hours of the day">
          {hours.map((hour) => (
            <HourRow key={hour.at} hour={hour}>
              {here
                .filter((p) => p.at >= hour.at && p.at < hour.at + HOUR)
                .map((p) => (
                  <Block
                    key={keyOf(p)}
                    plan={p}
                    on={chosen === keyOf(p)}
                    onPress={() => setChosen(chosen === keyOf(p) ? null : keyOf(p))}
                  />
                ))}
            </HourRow>
          ))}
        </View>
      </DndContext>
      {one ? (
        <View role="group" aria-label={`When ${one.name} goes`} style={{ gap: 8 }}>
          <Text variant="strong">{one.name}</Text>
          <MomentField label="It goes on" at={one.at} least={now} onChange={(at) => onMove(one, at)} />
          <Button onPress={() => onMove(one, null)}>Send it at once</Button>
        </View>
      ) : (
        <Text variant="small" tone="soft">
          Drag one to another hour, or press it for another day.
        </Text>
      )}
    </Card>
  );
}

function HourRow({ hour, children }: { hour: HourOfDay; children: ReactNode }) {
  const c = useColours();
  const { setNodeRef, isOver: isUnder } = useDroppable({ id: String(hour.at), data: { aloud: hour.words } });
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      aria-label={`${hour.words}${hour.again ? ', again' : ''}`}
      style={{
        display: 'flex',
        gap: 10,
        minHeight: 34,
        alignItems: 'flex-start',
        borderTop: `1px solid ${c.line}`,
        background: isUnder ? c.mossTint : undefined,
        padding: '3px 0',
      }}
    >
      <Text variant="small" tone="soft" figures style={{ width: 62 }}>
        {hour.again ? `${hour.words} again` : hour.words}
      </Text>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 6, flex: 1, minWidth: 0 }}>{children}</div>
    </div>
  );
}

function Block({ plan, on, onPress }: { plan: ShownPlan; on: boolean; onPress: () => void }) {
  const c = useColours();
  const { setNodeRef, attributes, listeners, transform } = useDraggable({
    id: keyOf(plan),
    data: { aloud: plan.name },
  });
  const clock = clockWords(plan.at);
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      role="button"
      aria-pressed={on}
      aria-label={`${clock}, ${plan.name}, ${plan.letters}`}
      onClick={onPress}
      onKeyUp={(event) => {
        if (event.key === 'Enter') onPress();
      }}
      style={{
        minHeight: 44,
        maxWidth: '100%',
        boxSizing: 'border-box',
        display: 'flex',
        alignItems: 'center',
        gap: 8,
        padding: '4px 10px',
        borderRadius: 8,
        border: `1.5px solid ${on ? c.moss : c.slate}`,
        background: c.slateTint,
        color: c.ink,
        font: `14px '${FONT.text}'`,
        fontVariantNumeric: 'tabular-nums',
        transform: transform ? `translate3d(${transform.x}px, ${transform.y}px, 0)` : undefined,
        zIndex: transform ? 3 : 0,
        position: 'relative',
        cursor: 'grab',
        touchAction: 'manipulation',
      }}
    >
      <span>{clock}</span>
      <span style={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>{plan.name}</span>
      <span style={{ color: c.soft }}>{plan.letters}</span>
    </div>
  );
}
