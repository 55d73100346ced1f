import { createCanvas, type Canvas } from '@napi-rs/canvas';

import { css } from './floors';
import type { TextLine } from './labelTexts';
import type { Random } from '../sim/random';

/** Height of a usual line's capitals on what is printed, pixels. */
export const CAPITALS = 40;

/** Colours of labels and what is printed on them; light on dark among them. */
const INKS = [
  ['#f7f5ef', '#22201f'],
  ['#fbfbfa', '#3a3a3c'],
  ['#efe7d4', '#4a2f22'],
  ['#f4f2ec', '#8a2230'],
  ['#e9ecef', '#1d3a66'],
  ['#1e1e21', '#e8e6e0'],
  ['#1f2b47', '#e9dfc4'],
  ['#4b1f29', '#efe3d6'],
  ['#cfcabd', '#55524b'],
] as const;

/** A label as it lies flat, with its lines; some woven, some folded. */
export function printed(lines: readonly TextLine[], font: string, random: Random): Canvas {
  const measure = createCanvas(8, 8).getContext('2d');
  // Capitals of most letters are about seven tenths as tall as the letters' own size.
  const size = (line: TextLine) => (CAPITALS / 0.7) * line.scale;
  const wide = lines.map((line) => {
    measure.font = `${size(line)}px "${font}"`;
    return measure.measureText(line.text).width;
  });
  const gap = 0.45 + random.next() * 0.5;
  const tall = lines.reduce((sum, line) => sum + size(line) * (0.75 + gap), 0);
  const margin = CAPITALS * (0.8 + random.next());
  const canvas = createCanvas(
    Math.ceil(Math.max(...wide) + 2 * margin),
    Math.ceil(tall + 2 * margin - CAPITALS * gap * 0.5),
  );
  const g = canvas.getContext('2d');
  const [paper, ink] = random.one(INKS);
  g.fillStyle = paper;
  g.fillRect(0, 0, canvas.width, canvas.height);
  if (random.chance(0.35)) weave(canvas, random);
  g.fillStyle = ink;
  g.textBaseline = 'middle';
  const align = random.chance(0.6) ? 'center' : 'left';
  g.textAlign = align;
  let y = margin;
  for (const line of lines) {
    g.font = `${size(line)}px "${font}"`;
    g.fillText(line.text, align === 'center' ? canvas.width / 2 : margin, y + size(line) * 0.38);
    y += size(line) * (0.75 + gap);
  }
  if (random.chance(0.3)) fold(canvas, random);
  return canvas;
}

/** Threads across and down, as of a woven label. */
function weave(canvas: Canvas, random: Random): void {
  const g = canvas.getContext('2d');
  const apart = 3 + random.next() * 3;
  for (const [long, across] of [
    [canvas.width, true],
    [canvas.height, false],
  ] as const)
    for (let at = 0; at < long; at += apart) {
      g.fillStyle = css([128, 128, 128], 0.08 + random.next() * 0.1);
      if (across) g.fillRect(at, 0, apart * 0.45, canvas.height);
      else g.fillRect(0, at, canvas.width, apart * 0.45);
    }
}

/** A crease across: a dark line with a light one beside it. */
function fold(canvas: Canvas, random: Random): void {
  const g = canvas.getContext('2d');
  g.save();
  g.translate(canvas.width * random.next(), canvas.height * random.next());
  g.rotate((random.next() - 0.5) * 0.5 + (random.chance(0.5) ? Math.PI / 2 : 0));
  const long = canvas.width + canvas.height;
  for (const [shade, from, wide] of [
    [0, 0, 26],
    [255, 26, 18],
  ] as const) {
    const soft = g.createLinearGradient(0, from, 0, from + wide);
    soft.addColorStop(0, css([shade, shade, shade], shade === 0 ? 0 : 0.3));
    soft.addColorStop(1, css([shade, shade, shade], shade === 0 ? 0.3 : 0));
    g.fillStyle = soft;
    g.fillRect(-long, from, 2 * long, wide);
  }
  g.restore();
}

/** A whiteboard with a frame, written on by hand: no line quite straight, no two of one size. */
export function handwritten(lines: readonly TextLine[], font: string, random: Random): Canvas {
  const measure = createCanvas(8, 8).getContext('2d');
  const size = CAPITALS * (1.35 + random.next() * 0.3);
  measure.font = `${size}px "${font}"`;
  const wide = Math.max(...lines.map((line) => measure.measureText(line.text).width));
  const step = size * (1.25 + random.next() * 0.4);
  const margin = size * (0.7 + random.next());
  const canvas = createCanvas(
    Math.ceil(wide * 1.08 + 2 * margin),
    Math.ceil(step * lines.length + 2 * margin),
  );
  const g = canvas.getContext('2d');
  g.fillStyle = random.one(['#fdfdfc', '#f3f5f4', '#eef0f2']);
  g.fillRect(0, 0, canvas.width, canvas.height);
  g.strokeStyle = random.one(['#8d9296', '#b98b52', '#30343a']);
  g.lineWidth = size * 0.35;
  g.strokeRect(0, 0, canvas.width, canvas.height);
  // Where it was wiped, a little of the last one's stays.
  g.fillStyle = 'rgba(60, 70, 90, 0.05)';
  for (let i = 0; i < 4; i += 1)
    g.fillRect(random.next() * canvas.width, random.next() * canvas.height, size * 4, size * 0.5);
  g.fillStyle = random.one(['#16181c', '#1c2f7a', '#a01c22', '#12643a']);
  g.textBaseline = 'middle';
  lines.forEach((line, i) => {
    g.save();
    g.font = `${size * (0.94 + random.next() * 0.12)}px "${font}"`;
    g.translate(margin + random.next() * size * 0.4, margin + step * (i + 0.5));
    g.rotate((random.next() - 0.5) * 0.05);
    g.fillText(line.text, 0, 0);
    g.restore();
  });
  return canvas;
}
