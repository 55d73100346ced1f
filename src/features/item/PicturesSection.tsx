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
import { useState } from 'react';
import { View } from 'react-native';

import type { Thing } from '@/contract/records';
import { FilePress } from '@/parts/FilePress';
import { Notice } from '@/parts/Notice';
import { PictureView } from '@/parts/PictureView';
import { SignPress } from '@/parts/Press';
import { Words } from '@/parts/Words';
import { addPictures, orderPictures, removePicture, type NotTaken } from '@/store/pictures';
import type { Examined } from '@/store/sending';
import { useColours } from '@/theme/theme';

import { FieldFindings, Section } from './Section';

/** The pictures in the buyers' order; the first is the cover. Drag to reorder. */
export function PicturesSection({ thing, findings }: { thing: Thing; findings: readonly Examined[] }) {
  const [notTaken, setNotTaken] = useState<NotTaken[]>([]);
  const [reading, setReading] = useState(0);
  const [shown, setShown] = useState<string | null>(null);
  const large = thing.pictureIds.find((id) => id === shown) ?? thing.pictureIds[0];
  const take = (files: File[]) => {
    setReading(files.length);
    void addPictures(thing.id, files, 'file', (done) => setReading(files.length - done)).then((t) =>
      setNotTaken(t.notTaken),
    );
  };
  const position = large ? thing.pictureIds.indexOf(large) + 1 : 0;
  return (
    <Section name="pictures" title="Pictures" summary={`${thing.pictureIds.length} · first is the cover`}>
      {large ? (
        <View>
          <PictureView
            id={large}
            alt={`Picture ${position} of ${thing.pictureIds.length}, large`}
            size="full"
            whole
            style={{ width: '100%', aspectRatio: 1 }}
          />
          <View
            style={{ position: 'absolute', right: 6, top: 6, backgroundColor: '#FFFCF5', borderRadius: 22 }}
          >
            <SignPress
              icon="remove"
              label={`Remove picture ${position}`}
              colour="#2B2721"
              onPress={() => removePicture(thing, large)}
            />
          </View>
        </View>
      ) : null}
      <Strip thing={thing} shown={large} onShow={setShown} />
      {reading > 0 ? (
        <Words
          tone="soft"
          role="status"
        >{`Reading ${reading === 1 ? 'a picture' : `${reading} pictures`}…`}</Words>
      ) : null}
      {notTaken.map((n, i) => (
        <Notice key={i} tone="trouble">{`${n.name}: ${n.why} The others were kept.`}</Notice>
      ))}
      <FilePress icon="add" accept="image/*" onFiles={take}>
        Add pictures
      </FilePress>
      <FieldFindings examined={findings} field="pictures" />
    </Section>
  );
}

function Strip({
  thing,
  shown,
  onShow,
}: {
  thing: Thing;
  shown: string | undefined;
  onShow: (id: string) => void;
}) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moved = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const from = thing.pictureIds.indexOf(String(active.id));
    const to = thing.pictureIds.indexOf(String(over.id));
    if (from >= 0 && to >= 0) orderPictures(thing, arrayMove(thing.pictureIds, from, to));
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={moved}>
      <SortableContext items={thing.pictureIds} strategy={rectSortingStrategy}>
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8 }}>
          {thing.pictureIds.map((id, i) => (
            <Tile
              key={id}
              id={id}
              index={i}
              count={thing.pictureIds.length}
              on={id === shown}
              onShow={() => onShow(id)}
            />
          ))}
        </div>
      </SortableContext>
    </DndContext>
  );
}

function Tile(props: { id: string; index: number; count: number; on: boolean; onShow: () => void }) {
  const { id, index, count, on, onShow } = props;
  const c = useColours();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  return (
    <div
      ref={setNodeRef}
      {...attributes}
      {...listeners}
      role="button"
      aria-label={`Picture ${index + 1} of ${count}${index === 0 ? ', cover' : ''}`}
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
        {index === 0 ? (
          <Words
            kind="small"
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
          </Words>
        ) : null}
      </View>
    </div>
  );
}
