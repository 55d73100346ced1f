import type { MeasureLine, Point } from '@/contract/picture';

/** One measurement as it is drawn on the picture. All in pixels of the picture. */
export interface DrawnLine {
  measure: string;
  from: Point;
  to: Point;
  /** "Pit to pit 54 cm". */
  text: string;
  /** The label's box, upright, and its middle. */
  label: { x: number; y: number; w: number; h: number };
}

export interface Drawing {
  lines: DrawnLine[];
  stroke: number;
  head: number;
  font: number;
}

/** Places along a line where its label may sit, best first. */
const PLACES = [0.5, 0.38, 0.62, 0.27, 0.73, 0.18, 0.82];
/** Lines up and down carry it lower, out of the way of those across. */
const UPRIGHT = [0.7, 0.6, 0.8, 0.5, 0.4, 0.3, 0.2];

/**
 * Where arrows and figures go: a label on each line, none over another, all of them inside the picture.
 *
 * @param texts by measurement; a line without a text is left out
 * @param charWidth mean width of a character as a share of the font's size
 */
export function drawingOf(
  lines: readonly MeasureLine[],
  texts: Record<string, string>,
  width: number,
  height: number,
  charWidth = 0.56,
): Drawing {
  const side = Math.min(width, height);
  // Legible on a phone that shows the picture at a third of its size.
  const font = Math.max(14, Math.round(side * 0.034));
  const drawn: DrawnLine[] = [];
  for (const line of lines) {
    const text = texts[line.measure];
    if (text === undefined) continue;
    const from = { x: line.a.x * width, y: line.a.y * height };
    const to = { x: line.b.x * width, y: line.b.y * height };
    const w = Math.min(width, text.length * font * charWidth + font);
    const h = font * 1.6;
    const upright = Math.abs(to.y - from.y) > Math.abs(to.x - from.x);
    const boxAt = (t: number) => ({
      x: clamp(from.x + (to.x - from.x) * t - w / 2, 0, width - w),
      y: clamp(from.y + (to.y - from.y) * t - h / 2, 0, height - h),
      w,
      h,
    });
    const places = upright ? UPRIGHT : PLACES;
    const label =
      places.map(boxAt).find((b) => drawn.every((d) => !overlap(d.label, b))) ??
      freePlace(boxAt(places[0] ?? 0.5), drawn, height);
    drawn.push({ measure: line.measure, from, to, text, label });
  }
  return { lines: drawn, stroke: Math.max(2, side * 0.0045), head: side * 0.026, font };
}

/** Further down, or up from the bottom, until there is room. */
function freePlace(box: DrawnLine['label'], drawn: readonly DrawnLine[], height: number): DrawnLine['label'] {
  for (const step of [1, -1])
    for (let y = box.y; y >= 0 && y + box.h <= height; y += step * box.h * 0.5) {
      const moved = { ...box, y };
      if (drawn.every((d) => !overlap(d.label, moved))) return moved;
    }
  return box;
}

function overlap(a: DrawnLine['label'], b: DrawnLine['label']): boolean {
  return a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(Math.max(low, high), Math.max(low, value));
}
