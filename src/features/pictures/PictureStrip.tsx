import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  arrayMove,
  rectSortingStrategy,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { View } from 'react-native';

import type { Item, Picture } from '@/contract/records';
import { maySend } from '@/core/picture/origin';
import { PictureView } from '@/parts/trade/PictureView';
import { ALOUD_BY_NAME } from '@/parts/ui/dragAloud';
import { Text } from '@/parts/ui/Text';
import { useAttic } from '@/store/attic/attic';
import { orderPictures } from '@/store/pictures/pictures';
import { Icon, type IconName } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

import { usePictureFindings } from './usePictureFindings';

interface PictureStripProps {
  item: Item;
  shown: string | undefined;
  onShow: (id: string) => void;
}

/** All pictures small, in their order; drag to change it. */
export function PictureStrip({ item, shown, onShow }: PictureStripProps) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moved = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const from = item.pictureIds.indexOf(String(active.id));
    const to = item.pictureIds.indexOf(String(over.id));
    if (from >= 0 && to >= 0) orderPictures(item, arrayMove(item.pictureIds, from, to));
  };
  return (
    <DndContext
      sensors={sensors}
      accessibility={ALOUD_BY_NAME}
      collisionDetection={closestCenter}
      onDragEnd={moved}
    >
      <SortableContext items={item.pictureIds} strategy={rectSortingStrategy}>
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
          {item.pictureIds.map((id, i) => (
            <Tile key={id} item={item} id={id} index={i} on={id === shown} onShow={() => onShow(id)} />
          ))}
        </div>
      </SortableContext>
    </DndContext>
  );
}

function Tile(props: { item: Item; id: string; index: number; on: boolean; onShow: () => void }) {
  const { item, id, index, on, onShow } = props;
  const c = useColours();
  const picture = useAttic((s) => s.pictures[id]);
  const { findings } = usePictureFindings(item, picture);
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id,
    data: { aloud: `Picture ${index + 1}` },
  });
  const mark = markOf(picture, findings.length);
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      role="button"
      aria-label={
        `Picture ${index + 1} of ${item.pictureIds.length}` +
        `${index === 0 ? ', cover' : ''}${mark ? `, ${mark.words}` : ''}`
      }
      data-picture={id}
      onClick={onShow}
      style={{
        transform: CSS.Transform.toString(transform),
        transition,
        width: 68,
        height: 68,
        borderRadius: 10,
        outline: on ? `2.5px solid ${c.moss}` : `1px solid ${c.line}`,
        outlineOffset: 1,
        opacity: isDragging ? 0.6 : 1,
        zIndex: isDragging ? 2 : 0,
        position: 'relative',
        cursor: 'grab',
        touchAction: 'manipulation',
      }}
    >
      <View style={{ pointerEvents: 'none' }}>
        <PictureView id={id} alt="" style={{ width: 68, height: 68 }} />
        {mark ? (
          <View
            style={{
              position: 'absolute',
              right: 3,
              top: 3,
              borderRadius: 11,
              padding: 3,
              backgroundColor: c.surface,
            }}
          >
            <Icon name={mark.icon} colour={mark.icon === 'caution' ? c.brassInk : c.ink} size={16} />
          </View>
        ) : null}
        {index === 0 ? <Cover /> : null}
      </View>
    </div>
  );
}

/** What a small picture is marked with: what it is, or that something is to be said of it. */
function markOf(picture: Picture | undefined, findings: number): { icon: IconName; words: string } | null {
  return picture?.clip
    ? { icon: 'film', words: 'clip' }
    : picture?.made
      ? { icon: 'ruler', words: 'measurements' }
      : picture && !maySend(picture)
        ? { icon: 'close', words: 'not sent' }
        : findings > 0
          ? { icon: 'caution', words: 'worth a look' }
          : null;
}

function Cover() {
  const c = useColours();
  return (
    <Text
      variant="small"
      style={{
        position: 'absolute',
        left: 0,
        right: 0,
        bottom: 0,
        textAlign: 'center',
        backgroundColor: c.moss,
        color: c.onMoss,
        fontSize: 12,
        lineHeight: 17,
        borderBottomLeftRadius: 8,
        borderBottomRightRadius: 8,
      }}
    >
      cover
    </Text>
  );
}
