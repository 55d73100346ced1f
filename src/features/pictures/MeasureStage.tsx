import { useState } from 'react';

import type { MeasureLine, Point } from '@/contract/picture';
import { mapCorners, type Corners } from '@/core/measure/plane';
import { Stage, UNITS } from '@/parts/ui/Stage';
import { FONT } from '@/theme/theme';

import { STAGE_HEIGHT } from './PlainStage';
import type { ShownPreview } from './usePreview';

type Grip = { what: 'line'; measure: string; end: 'a' | 'b' } | { what: 'corner'; index: number };

/** How near a finger must be to take hold of something, in units of the picture's width. */
const REACH = 75;

/** The picture with the sheet's corners and the lines on it, all to be dragged. */
export function MeasureStage(props: {
  preview: ShownPreview | null;
  lines: readonly MeasureLine[];
  text: (line: MeasureLine) => string;
  corners: Corners | null;
  onLines: (lines: MeasureLine[]) => void;
  onCorners: (corners: Corners) => void;
}) {
  const { preview, lines, text, corners, onLines, onCorners } = props;
  const [grip, setGrip] = useState<Grip | null>(null);
  const [at, setAt] = useState<Point | null>(null);
  const shape = preview?.shape ?? 1;
  const u = (p: Point) => ({ x: p.x * UNITS, y: (p.y * UNITS) / shape });

  const move = (p: Point) => {
    if (!grip) return;
    const inside = { x: Math.max(0, Math.min(1, p.x)), y: Math.max(0, Math.min(1, p.y)) };
    setAt(inside);
    if (grip.what === 'corner' && corners)
      onCorners(mapCorners(corners, (c, i) => (i === grip.index ? inside : c)));
    if (grip.what === 'line')
      onLines(lines.map((l) => (l.measure === grip.measure ? { ...l, [grip.end]: inside } : l)));
  };
  return (
    <Stage
      address={preview?.address ?? null}
      alt="The picture as it was taken"
      shape={shape}
      maxHeight={STAGE_HEIGHT}
      lens={at}
      onDown={(p) => setGrip(nearest(p, shape, corners, lines))}
      onMove={move}
      onUp={() => (setGrip(null), setAt(null))}
    >
      {corners ? <Sheet corners={corners.map(u)} /> : null}
      {lines.map((line) => (
        <Line key={line.measure} id={line.measure} a={u(line.a)} b={u(line.b)} words={text(line)} />
      ))}
    </Stage>
  );
}

/** What a finger at a point takes hold of; null where nothing is near. @param shape width over height */
function nearest(
  p: Point,
  shape: number,
  corners: Corners | null,
  lines: readonly MeasureLine[],
): Grip | null {
  let best: Grip | null = null;
  let least = REACH;
  const consider = (q: Point, which: Grip) => {
    const d = Math.hypot((p.x - q.x) * UNITS, ((p.y - q.y) * UNITS) / shape);
    if (d < least) [least, best] = [d, which];
  };
  corners?.forEach((corner, index) => consider(corner, { what: 'corner', index }));
  for (const line of lines)
    for (const end of ['a', 'b'] as const) consider(line[end], { what: 'line', measure: line.measure, end });
  return best;
}

/** The reference that lies beside the item, with its corners to be dragged. */
function Sheet({ corners }: { corners: readonly Point[] }) {
  return (
    <>
      <polygon
        points={corners.map((corner) => `${corner.x},${corner.y}`).join(' ')}
        fill="#E7B53F"
        fillOpacity={0.18}
        stroke="#2B2721"
        strokeWidth={4}
        strokeDasharray="14 10"
      />
      {corners.map((corner, i) => (
        <g key={i} data-corner={i}>
          <circle
            cx={corner.x}
            cy={corner.y}
            r={22}
            fill="#FFFCF5"
            fillOpacity={0.35}
            stroke="#2B2721"
            strokeWidth={5}
          />
          <circle cx={corner.x} cy={corner.y} r={4} fill="#2B2721" />
        </g>
      ))}
    </>
  );
}

/** A line to be dragged by its ends, with its length on it. */
function Line({ id, a, b, words }: { id: string; a: Point; b: Point; words: string }) {
  const width = words.length * 19 + 26;
  const t = Math.abs(b.y - a.y) > Math.abs(b.x - a.x) ? 0.7 : 0.5;
  const middle = {
    x: Math.max(width / 2, Math.min(UNITS - width / 2, a.x + (b.x - a.x) * t)),
    y: Math.max(24, a.y + (b.y - a.y) * t),
  };
  return (
    <g data-line={id}>
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#FFFDF7" strokeWidth={13} />
      <line x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="#23402F" strokeWidth={5} />
      {[a, b].map((end, i) => (
        <circle
          key={i}
          cx={end.x}
          cy={end.y}
          r={20}
          fill="#FFFDF7"
          fillOpacity={0.85}
          stroke="#23402F"
          strokeWidth={6}
        />
      ))}
      <rect
        x={middle.x - width / 2}
        y={middle.y - 24}
        width={width}
        height={48}
        rx={12}
        fill="#FFFDF7"
        stroke="#23402F"
        strokeWidth={2.5}
      />
      <text
        x={middle.x}
        y={middle.y + 12}
        textAnchor="middle"
        fontSize={34}
        fontFamily={FONT.strong}
        fill="#23402F"
      >
        {words}
      </text>
    </g>
  );
}
