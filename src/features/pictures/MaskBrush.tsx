import { useState } from 'react';
import { View } from 'react-native';

import type { Point, Stroke } from '@/contract/picture';
import type { Picture } from '@/contract/records';
import { toOriginal, type Look } from '@/core/picture/look';
import { Chip, ChipRow } from '@/parts/ui/Button';
import { Stage, UNITS } from '@/parts/ui/Stage';
import { Text } from '@/parts/ui/Text';

import { STAGE_HEIGHT } from './PlainStage';
import { usePictureSize } from './usePictureSize';
import type { ShownPreview } from './usePreview';

/** Share of the picture's longer side that a stroke is wide, each way. */
const RADII = [
  ['Fine', 0.012],
  ['Medium', 0.03],
  ['Broad', 0.06],
] as const;

/** Correcting the mask by finger: paint what belongs to the item, or what does not. */
export function MaskBrush(props: {
  preview: ShownPreview | null;
  picture: Picture;
  look: Look;
  busy: boolean;
  onStroke: (stroke: Stroke) => void;
}) {
  const { preview, picture, look, busy, onStroke } = props;
  const [mode, setMode] = useState<'add' | 'remove'>('add');
  const [radius, setRadius] = useState<number>(0.03);
  const [points, setPoints] = useState<Point[]>([]);
  const original = usePictureSize(picture.id);
  const shape = preview?.shape ?? 1;
  const last = points.at(-1);
  const finish = () => {
    const drawn = points;
    setPoints([]);
    if (!original || drawn.length === 0) return;
    const { width, height } = original;
    // The same width on the original that the finger saw on the shown picture.
    const [a, b] = [
      toOriginal(look, width, height, { x: 0, y: 0 }),
      toOriginal(look, width, height, { x: 1, y: 0 }),
    ];
    const across = Math.hypot((b.x - a.x) * width, (b.y - a.y) * height);
    const shownSide = Math.max(1, 1 / shape) * across;
    onStroke({
      mode,
      radius: Math.min(0.5, (radius * shownSide) / Math.max(width, height)),
      points: drawn.slice(0, 2_000).map((p) => clamped(toOriginal(look, width, height, p))),
    });
  };
  return (
    <View style={{ gap: 8 }}>
      <Stage
        address={preview?.address ?? null}
        alt="The picture with its background shining through"
        shape={shape}
        maxHeight={STAGE_HEIGHT}
        lens={last ?? null}
        onDown={(at) => !busy && setPoints([at])}
        onMove={(at) => setPoints((all) => (all.length > 0 ? [...all, at] : all))}
        onUp={finish}
      >
        <polyline
          points={points.map((p) => `${p.x * UNITS},${(p.y * UNITS) / shape}`).join(' ')}
          fill="none"
          stroke={mode === 'add' ? '#3E5A39' : '#9C3527'}
          strokeOpacity={0.5}
          strokeWidth={radius * 2 * UNITS * Math.max(1, 1 / shape)}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      </Stage>
      <ChipRow label="Brush">
        <Chip on={mode === 'add'} onPress={() => setMode('add')}>
          Belongs to it
        </Chip>
        <Chip on={mode === 'remove'} onPress={() => setMode('remove')}>
          Is background
        </Chip>
      </ChipRow>
      <ChipRow label="How broad">
        {RADII.map(([name, value]) => (
          <Chip key={name} on={radius === value} onPress={() => setRadius(value)}>
            {name}
          </Chip>
        ))}
      </ChipRow>
      <Text variant="small" tone="soft">
        Paint with a finger over what is missing, or over what should go.
      </Text>
    </View>
  );
}

function clamped({ x, y }: Point): Point {
  return { x: Math.max(-1, Math.min(2, x)), y: Math.max(-1, Math.min(2, y)) };
}
