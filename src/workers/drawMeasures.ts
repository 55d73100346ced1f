import type { Point } from '@/contract/picture';
import type { Drawing } from '@/core/measure/drawing';

import { context2d } from './canvas';

const INK = '#23402f';
const PAPER = '#fffdf7';
let font: Promise<unknown> | null = null;

/** The app's own letters; without them the system's do. */
function loadFont(): Promise<unknown> {
  font ??= (async () => {
    const face = new FontFace('Figures', 'url(/vision/AtkinsonHyperlegibleNext_700Bold.ttf)');
    // A worker has fonts too; the types here are those of a page.
    (globalThis as unknown as { fonts: { add(face: FontFace): void } }).fonts.add(await face.load());
  })()
    // The system's letters do as well, and a picture without its figures would not.
    .catch(() => undefined);
  return font;
}

interface Line {
  from: Point;
  to: Point;
}

/** One arrow, without a figure. */
export function drawLine(canvas: OffscreenCanvas, from: Point, to: Point): void {
  const stroke = Math.max(2, Math.max(canvas.width, canvas.height) / 160);
  arrows(context2d(canvas), [{ from, to }], stroke, stroke * 4);
}

/** Ink with a light rim, so that they stand out on any cloth. */
function arrows(
  pen: OffscreenCanvasRenderingContext2D,
  lines: readonly Line[],
  stroke: number,
  head: number,
): void {
  pen.lineCap = 'round';
  pen.lineJoin = 'round';
  for (const [width, colour] of [
    [stroke * 2.6, PAPER],
    [stroke, INK],
  ] as const)
    for (const { from, to } of lines) {
      pen.strokeStyle = colour;
      pen.lineWidth = width;
      pen.beginPath();
      pen.moveTo(from.x, from.y);
      pen.lineTo(to.x, to.y);
      const angle = Math.atan2(to.y - from.y, to.x - from.x);
      for (const [end, way] of [
        [from, 0],
        [to, Math.PI],
      ] as const)
        for (const side of [-0.42, 0.42]) {
          pen.moveTo(end.x, end.y);
          pen.lineTo(
            end.x + head * Math.cos(angle + way + side),
            end.y + head * Math.sin(angle + way + side),
          );
        }
      pen.stroke();
    }
}

/** Draws arrows with their figures. */
export async function drawMeasures(canvas: OffscreenCanvas, drawing: Drawing): Promise<void> {
  await loadFont();
  const pen = context2d(canvas);
  const { stroke, head } = drawing;
  arrows(pen, drawing.lines, stroke, head);
  pen.font = `${drawing.font}px Figures, sans-serif`;
  pen.textAlign = 'center';
  pen.textBaseline = 'middle';
  for (const { label, text } of drawing.lines) {
    pen.fillStyle = PAPER;
    pen.strokeStyle = INK;
    pen.lineWidth = stroke * 0.6;
    pen.beginPath();
    pen.roundRect(label.x, label.y, label.w, label.h, label.h * 0.32);
    pen.fill();
    pen.stroke();
    pen.fillStyle = INK;
    pen.fillText(text, label.x + label.w / 2, label.y + label.h * 0.53, label.w - drawing.font * 0.4);
  }
}
