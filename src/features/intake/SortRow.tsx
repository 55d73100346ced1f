import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { plural } from '@/core/language/plural';
import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useObjectUrl } from '@/parts/ui/useObjectUrl';
import type { Sorted } from '@/store/pictures/sorting';
import { useColours } from '@/theme/theme';

const SIDE = 72;

/** Where pictures can be put down. */
export function DropZone({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  const c = useColours();
  const { setNodeRef, isOver } = useDroppable({ id, data: { aloud: label } });
  return (
    <div
      ref={setNodeRef}
      role="group"
      aria-label={label}
      style={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 8,
        minHeight: SIDE,
        borderRadius: 10,
        padding: 6,
        outline: `1.5px ${isOver ? 'solid' : 'dashed'} ${isOver ? c.moss : c.line}`,
        background: isOver ? c.mossTint : 'transparent',
      }}
    >
      {children}
    </div>
  );
}

/** A picture that can be dragged to another row, or pressed to be moved by a word. */
export function SortTile(props: { one: Sorted; name: string; on: boolean; onPress: () => void }) {
  const { one, name, on, onPress } = props;
  const c = useColours();
  const { id } = one.waiting.about;
  const drag = useDraggable({ id, data: { aloud: name } });
  const before = useDroppable({ id: `before:${id}`, data: { aloud: name } });
  const address = useObjectUrl(one.small);
  const { transform } = drag;
  return (
    <div
      ref={(node) => {
        drag.setNodeRef(node);
        before.setNodeRef(node);
      }}
      {...drag.attributes}
      {...drag.listeners}
      role="button"
      aria-pressed={on}
      aria-label={name}
      data-sorted={id}
      onClick={onPress}
      onKeyUp={(event) => {
        if (event.key === ' ') onPress();
      }}
      style={{
        width: SIDE,
        height: SIDE,
        borderRadius: 10,
        overflow: 'hidden',
        outline: on ? `3px solid ${c.moss}` : before.isOver ? `3px dashed ${c.moss}` : `1px solid ${c.line}`,
        transform: transform ? `translate3d(${transform.x}px, ${transform.y}px, 0)` : undefined,
        zIndex: transform ? 3 : 0,
        position: 'relative',
        opacity: drag.isDragging ? 0.75 : 1,
        cursor: 'grab',
        touchAction: 'manipulation',
      }}
    >
      {address ? (
        <img
          src={address}
          alt=""
          draggable={false}
          style={{ width: '100%', height: '100%', objectFit: 'cover', pointerEvents: 'none' }}
        />
      ) : null}
    </div>
  );
}

/** The pictures of one item to be, and the way to put the row to the one above. */
export function SortRow(props: {
  at: number;
  count: number;
  onJoin: () => void;
  children: ReactNode;
  /** What can be done with the picture that was pressed. */
  deeds: ReactNode;
}) {
  const { at, count, onJoin, children, deeds } = props;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 44 }}>
        <Text variant="strong" style={{ flex: 1 }} figures>
          {`Item ${at + 1} · ${plural(count, 'one picture', `${count} pictures`)}`}
        </Text>
        {at > 0 ? (
          <Button variant="quiet" label={`Item ${at + 1} is the same as item ${at}`} onPress={onJoin}>
            Same as above
          </Button>
        ) : null}
      </View>
      <DropZone id={`row:${at}`} label={`Pictures of item ${at + 1}`}>
        {children}
      </DropZone>
      {deeds}
    </View>
  );
}
