import type { Canvas } from '@napi-rs/canvas';

import type { Letters } from './fonts';
import type { Random } from '../sim/random';

/** What people and programs write on pictures, that buyers' marketplaces don't take. */
export const WRITINGS = ['address', 'date', 'watermark', 'offer'] as const;
export type Writing = (typeof WRITINGS)[number];

const ADDRESSES = [
  'www.fernandlantern.example',
  'Harbour Lane 4, Millport',
  'Marsh & Daughter, Quay Street 12',
  'ask at dockside.example/shop',
  'Follow us: @gorse.and.gull',
] as const;
const MARKS = ['gorse & gull', 'FERN AND LANTERN', 'do not copy', 'Marsh & Daughter 2026'] as const;
const OFFERS = ['50 % OFF', 'SALE -30%', '3 FOR 2', 'NOW 12.50', 'LAST CHANCE'] as const;

/** Writes on a picture. */
export function writeBeside(canvas: Canvas, sort: Writing, letters: Letters, random: Random): void {
  const { width, height } = canvas;
  const g = canvas.getContext('2d');
  const side = Math.max(width, height);
  const font = random.one([...letters.printed, ...(sort === 'date' ? [] : letters.handwritten)]);
  const write = (text: string, size: number, x: number, y: number) => {
    g.font = `${Math.round(size)}px "${font}"`;
    const wide = g.measureText(text).width;
    if (wide > width * 0.9) g.font = `${Math.round((size * width * 0.9) / wide)}px "${font}"`;
    g.fillText(text, x, y);
  };
  g.save();
  g.textBaseline = 'middle';
  const dark = random.chance(0.5);
  const low = random.chance(0.7);
  if (sort === 'address') {
    const [align, at] = random.one<['left' | 'center' | 'right', number]>([
      ['left', 0.05],
      ['center', 0.5],
      ['right', 0.95],
    ]);
    g.textAlign = align;
    const x = at * width;
    const y = (low ? 0.945 : 0.055) * height;
    const size = side * (0.026 + random.next() * 0.024);
    // On a strip of its own as often as not: its writer wanted it to be read.
    const strip = random.chance(0.4);
    const isDark = strip ? dark : isLight(canvas, y);
    if (strip) {
      g.fillStyle = isDark ? 'rgba(255, 255, 255, 0.85)' : 'rgba(20, 20, 24, 0.8)';
      g.fillRect(0, y - size, width, size * 2);
    }
    g.fillStyle = isDark ? '#1d1c1b' : '#fbfaf6';
    write(random.one(ADDRESSES), size, x, y);
  } else if (sort === 'date') {
    g.textAlign = 'right';
    g.fillStyle = random.one(['#ff8a1e', '#ff5a2a', '#f6e04a']);
    g.shadowColor = 'rgba(60, 10, 0, 0.8)';
    g.shadowBlur = 2;
    const two = () => String(random.between(1, 28)).padStart(2, '0');
    const text = random.one([
      `${two()}.${two()}.2026`,
      `2026 ${two()} ${two()}`,
      `${two()}/${two()}/26 ${two()}:${two()}`,
    ]);
    write(text, side * (0.028 + random.next() * 0.02), width * 0.95, height * 0.94);
  } else if (sort === 'watermark') {
    g.translate(width / 2, height / 2);
    g.rotate((random.chance(0.7) ? -1 : 1) * Math.atan2(height, width) * (0.8 + random.next() * 0.3));
    g.textAlign = 'center';
    // Whoever writes it wants it to be seen.
    g.fillStyle = isLight(canvas, height * 0.04)
      ? `rgba(20, 20, 24, ${0.3 + random.next() * 0.25})`
      : `rgba(255, 255, 255, ${0.4 + random.next() * 0.3})`;
    g.translate(-width / 2, -height / 2);
    // Right across: what lies on the thing alone could as well be printed on it.
    const text = random.one(MARKS);
    g.font = `100px "${font}"`;
    const long = Math.hypot(width, height) * (0.72 + random.next() * 0.2);
    g.font = `${Math.round((100 * long) / g.measureText(text).width)}px "${font}"`;
    g.fillText(text, width / 2, height / 2);
  } else {
    const size = side * (0.08 + random.next() * 0.06);
    const x = (random.chance(0.5) ? 0.26 : 0.74) * width;
    const y = (low ? 0.9 : 0.1) * height;
    g.textAlign = 'center';
    const text = random.one(OFFERS);
    g.font = `${Math.round(size)}px "${font}"`;
    const wide = Math.min(g.measureText(text).width, width * 0.46);
    if (random.chance(0.6)) {
      g.fillStyle = random.one(['#d4232b', '#f4d20b', '#161616']);
      const isYellow = g.fillStyle === '#f4d20b';
      g.fillRect(x - wide * 0.55, y - size * 0.7, wide * 1.1, size * 1.4);
      g.fillStyle = isYellow ? '#161616' : '#ffffff';
    } else g.fillStyle = isLight(canvas, y) ? '#c3161c' : '#fff04a';
    g.font = `${Math.round((size * wide) / g.measureText(text).width)}px "${font}"`;
    g.fillText(text, x, y);
  }
  g.restore();
}

function isLight(canvas: Canvas, y: number): boolean {
  const row = canvas.getContext('2d').getImageData(0, Math.round(y), canvas.width, 1).data;
  let sum = 0;
  for (let at = 0; at < row.length; at += 4) sum += row[at + 1]!;
  return sum / canvas.width > 125;
}
