import { createCanvas, Path2D, type Canvas, type SKRSContext2D } from '@napi-rs/canvas';

import { Random } from '../../sim/random';

export type Pen = SKRSContext2D;
export { Path2D };

/** How one picture of an item is taken. Points are in the item's own 1000 × 1000 space. */
export interface Shot {
  name: string;
  /** 1 shows it all; 3 is a close-up. */
  zoom?: number;
  at?: [number, number];
  /** Degrees. */
  tilt?: number;
  side?: 'front' | 'back';
  /** A sheet of A4 beside it, seen at a slant: so many millimetres to the item's own unit. */
  mmPerUnit?: number;
}

export type Floor = 'boards' | 'linen' | 'plaster' | 'slate';

export interface Subject {
  floor: Floor;
  draw: (pen: Pen, side: 'front' | 'back', random: Random) => void;
}

/** Draws one picture: floor, shadow, the item, light falling off, lens and sensor. */
export function photograph(subject: Subject, shot: Shot, seed: number, size = 1500): Canvas {
  return photographWithTruth(subject, shot, seed, size).picture;
}

/**
 * The same, with the sheet on which the item lies alone: its opacity is the true mask. Points of the
 * item's own space are found in the picture by `place`.
 */
export function photographWithTruth(
  subject: Subject,
  shot: Shot,
  seed: number,
  size = 1500,
): { picture: Canvas; alone: Canvas; place: (x: number, y: number) => [number, number] } {
  const random = new Random(seed);
  const canvas = createCanvas(size, size);
  const pen = canvas.getContext('2d');
  drawFloor(pen, subject.floor, size, random);

  // The item on a sheet of its own, so that its shadow falls from its outline.
  const sheet = createCanvas(size, size);
  const own = sheet.getContext('2d');
  const zoom = (shot.zoom ?? 1) * (size / 1000);
  const [cx, cy] = shot.at ?? [500, 500];
  own.translate(size / 2, size / 2);
  own.rotate((((shot.tilt ?? 0) + (random.next() - 0.5) * 2) * Math.PI) / 180);
  own.scale(zoom, zoom);
  own.translate(-cx, -cy);
  const at = own.getTransform();
  // The item itself looks the same in every picture of it.
  subject.draw(own, shot.side ?? 'front', new Random(7));

  pen.save();
  pen.shadowColor = 'rgba(40,28,14,0.5)';
  pen.shadowBlur = size * 0.022 * Math.sqrt(shot.zoom ?? 1);
  pen.shadowOffsetX = size * 0.009;
  pen.shadowOffsetY = size * 0.014;
  pen.drawImage(sheet, 0, 0);
  pen.restore();
  drawLight(pen, size, random);
  addGrain(pen, size, random);
  return {
    picture: canvas,
    alone: sheet,
    place: (x, y) => [at.a * x + at.c * y + at.e, at.b * x + at.d * y + at.f],
  };
}

/**
 * The scene seen straight from above, without grain: `span` of the item's units each way, its own 1000 in
 * the middle, with something more laid beside it.
 */
export function photographFlat(
  subject: Subject,
  seed: number,
  size: number,
  span: number,
  beside: (pen: Pen) => void,
): Canvas {
  const random = new Random(seed);
  const canvas = createCanvas(size, size);
  const pen = canvas.getContext('2d');
  drawFloor(pen, subject.floor, size, random);
  const sheet = createCanvas(size, size);
  const own = sheet.getContext('2d');
  own.scale(size / span, size / span);
  own.translate((span - 1_000) / 2, (span - 1_000) / 2);
  subject.draw(own, 'front', new Random(7));
  beside(own);
  pen.save();
  pen.shadowColor = 'rgba(40,28,14,0.5)';
  pen.shadowBlur = size * 0.012;
  pen.shadowOffsetX = size * 0.004;
  pen.shadowOffsetY = size * 0.006;
  pen.drawImage(sheet, 0, 0);
  pen.restore();
  drawLight(pen, size, random);
  return canvas;
}

function drawFloor(pen: Pen, floor: Floor, size: number, random: Random): void {
  const base = { boards: '#b99a72', linen: '#e9e2d4', plaster: '#e6e0d8', slate: '#8b9196' }[floor];
  pen.fillStyle = base;
  pen.fillRect(0, 0, size, size);
  if (floor === 'boards') {
    const width = size / 5.2;
    for (let i = -1; i < 6; i += 1) {
      const x = i * width + width * 0.3;
      const [hue, strength] = [32 + random.between(-3, 3), random.between(28, 36)];
      pen.fillStyle = `hsl(${hue} ${strength}% ${random.between(56, 65)}%)`;
      pen.fillRect(x, 0, width - 3, size);
      for (let k = 0; k < 26; k += 1) {
        const gx = x + random.next() * width;
        pen.strokeStyle = `rgba(92,62,30,${0.04 + random.next() * 0.09})`;
        pen.lineWidth = 1 + random.next() * 2.4;
        pen.beginPath();
        pen.moveTo(gx, 0);
        pen.bezierCurveTo(
          gx + random.between(-18, 18),
          size * 0.3,
          gx + random.between(-18, 18),
          size * 0.7,
          gx + random.between(-8, 8),
          size,
        );
        pen.stroke();
      }
      pen.fillStyle = 'rgba(50,32,14,0.55)';
      pen.fillRect(x - 3, 0, 3, size);
    }
  } else if (floor === 'linen') {
    for (let i = 0; i < size; i += 4) {
      pen.fillStyle = `rgba(120,104,80,${0.02 + random.next() * 0.05})`;
      pen.fillRect(0, i, size, 1.6);
      pen.fillStyle = `rgba(255,255,255,${random.next() * 0.09})`;
      pen.fillRect(i, 0, 1.6, size);
    }
  } else {
    for (let i = 0; i < 240; i += 1) {
      pen.fillStyle = `rgba(${random.chance(0.5) ? '255,255,255' : '80,74,66'},${random.next() * 0.035})`;
      pen.beginPath();
      pen.ellipse(
        random.next() * size,
        random.next() * size,
        random.between(30, 190),
        random.between(20, 120),
        random.next() * 3,
        0,
        7,
      );
      pen.fill();
    }
  }
}

/** A window to the upper left; the far corner is darker. */
function drawLight(pen: Pen, size: number, random: Random): void {
  const light = pen.createRadialGradient(
    size * 0.28,
    size * 0.18,
    size * 0.1,
    size * 0.45,
    size * 0.45,
    size * 1.05,
  );
  light.addColorStop(0, 'rgba(255,246,226,0.16)');
  light.addColorStop(0.5, 'rgba(255,255,255,0)');
  light.addColorStop(1, `rgba(24,20,30,${0.2 + random.next() * 0.08})`);
  pen.fillStyle = light;
  pen.fillRect(0, 0, size, size);
}

function addGrain(pen: Pen, size: number, random: Random): void {
  const image = pen.getImageData(0, 0, size, size);
  const { data } = image;
  for (let i = 0; i < data.length; i += 4) {
    const n = (random.next() + random.next() - 1) * 7;
    data[i] = (data[i] ?? 0) + n;
    data[i + 1] = (data[i + 1] ?? 0) + n;
    data[i + 2] = (data[i + 2] ?? 0) + n * 1.2;
  }
  pen.putImageData(image, 0, 0);
}

// ---- ways of drawing stuff --------------------------------------------------------------------------

/** Fills a shape with a colour rounded by light from the upper left. */
export function solid(
  pen: Pen,
  path: Path2D,
  light: string,
  dark: string,
  from: [number, number] = [250, 150],
  to: [number, number] = [780, 860],
): void {
  const gradient = pen.createLinearGradient(...from, ...to);
  gradient.addColorStop(0, light);
  gradient.addColorStop(1, dark);
  pen.fillStyle = gradient;
  pen.fill(path);
}

/** Draws inside a shape only. */
export function inside(pen: Pen, path: Path2D, draw: () => void): void {
  pen.save();
  pen.clip(path);
  draw();
  pen.restore();
}

/** Soft folds and creases across cloth. */
export function folds(
  pen: Pen,
  path: Path2D,
  lines: [number, number, number, number][],
  strength = 0.22,
): void {
  inside(pen, path, () => {
    pen.filter = 'blur(9px)';
    pen.lineCap = 'round';
    for (const [x1, y1, x2, y2] of lines) {
      pen.lineWidth = 15;
      pen.strokeStyle = `rgba(10,8,20,${strength})`;
      pen.beginPath();
      pen.moveTo(x1, y1);
      pen.quadraticCurveTo((x1 + x2) / 2 + 16, (y1 + y2) / 2, x2, y2);
      pen.stroke();
      pen.lineWidth = 9;
      pen.strokeStyle = `rgba(255,255,255,${strength * 0.7})`;
      pen.beginPath();
      pen.moveTo(x1 - 13, y1);
      pen.quadraticCurveTo((x1 + x2) / 2 + 3, (y1 + y2) / 2, x2 - 13, y2);
      pen.stroke();
    }
    pen.filter = 'none';
  });
}

/** Darkens a shape towards its edge, so that it looks thick. */
export function rim(pen: Pen, path: Path2D, strength = 0.4, width = 16): void {
  inside(pen, path, () => {
    pen.filter = `blur(${Math.round(width * 0.6)}px)`;
    pen.strokeStyle = `rgba(8,6,14,${strength})`;
    pen.lineWidth = width;
    pen.stroke(path);
    pen.filter = 'none';
  });
}

/** Rows of little v's: knitting. */
export function knit(
  pen: Pen,
  path: Path2D,
  ink: string,
  step = 9,
  box: [number, number, number, number] = [100, 100, 900, 940],
): void {
  inside(pen, path, () => {
    pen.strokeStyle = ink;
    pen.lineWidth = step * 0.22;
    pen.beginPath();
    for (let y = box[1]; y < box[3]; y += step * 0.8)
      for (let x = box[0]; x < box[2]; x += step) {
        pen.moveTo(x, y);
        pen.lineTo(x + step / 2, y + step * 0.6);
        pen.lineTo(x + step, y);
      }
    pen.stroke();
  });
}

/** Fine diagonal threads: woven cloth. */
export function weave(pen: Pen, path: Path2D, ink: string, step = 5, slope = 0.6): void {
  inside(pen, path, () => {
    pen.strokeStyle = ink;
    pen.lineWidth = 1;
    pen.beginPath();
    for (let x = -700; x < 1700; x += step) {
      pen.moveTo(x, 0);
      pen.lineTo(x + 1000 * slope, 1000);
    }
    pen.stroke();
  });
}

/** A stitched line. */
export function stitch(pen: Pen, draw: (p: Path2D) => void, ink: string, width = 2): void {
  const path = new Path2D();
  draw(path);
  pen.save();
  pen.setLineDash([7, 5]);
  pen.lineWidth = width;
  pen.strokeStyle = ink;
  pen.stroke(path);
  pen.restore();
}

/** A shine along a curve: metal, leather, glass. */
export function shine(pen: Pen, path: Path2D, draw: (p: Path2D) => void, strength = 0.5, width = 14): void {
  inside(pen, path, () => {
    const line = new Path2D();
    draw(line);
    pen.filter = `blur(${Math.round(width * 0.45)}px)`;
    pen.strokeStyle = `rgba(255,255,255,${strength})`;
    pen.lineWidth = width;
    pen.lineCap = 'round';
    pen.stroke(line);
    pen.filter = 'none';
  });
}

/** A sewn-in label with words. */
export function label(
  pen: Pen,
  x: number,
  y: number,
  width: number,
  lines: string[],
  ink = '#3b2f28',
  ground = '#efe6d2',
): void {
  const height = 18 + lines.length * 17;
  pen.save();
  pen.shadowColor = 'rgba(0,0,0,0.35)';
  pen.shadowBlur = 5;
  pen.fillStyle = ground;
  pen.fillRect(x, y, width, height);
  pen.restore();
  pen.fillStyle = ink;
  pen.textAlign = 'center';
  lines.forEach((line, i) => {
    pen.font = i === 0 ? 'bold 17px serif' : '13px serif';
    pen.fillText(line, x + width / 2, y + 22 + i * 17, width - 10);
  });
  pen.textAlign = 'left';
}

export const path = (draw: (p: Path2D) => void): Path2D => {
  const p = new Path2D();
  draw(p);
  return p;
};
