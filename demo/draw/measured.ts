import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Corners } from '@/core/measure/plane';

import { Path2D, type Floor, type Subject } from './studio';
import { photographFlat } from './studio';
import { Random } from '../../sim/random';

/**
 * An item on the floor with a reference beside it, taken with a tilted camera: where everything is, is known.
 */
export interface MeasuredScene {
  subject: Subject;
  floor?: Floor;
  reference: 'card' | 'a4' | 'letter';
  /** Millimetres across that the item's own 1000 units stand for. */
  mmPerUnit: number;
  /** Where the reference's middle is, in the item's units, and how it is turned, in degrees. */
  at: [number, number];
  turn: number;
  /** The camera's tilt in degrees, and the way it leans (0: the far edge is the upper one). */
  tilt: number;
  lean: number;
  /** Pixels of the picture, square. */
  size: number;
  seed: number;
}

export interface MeasuredPicture {
  picture: Canvas;
  /** The reference's corners in the picture, in order around. */
  corners: Corners;
  /** A point in the item's units, in the picture. */
  place: (x: number, y: number) => { x: number; y: number };
}

/** Units of the item that the flat scene covers each way. */
const SPAN = 1_500;
const SIZES = { card: [85.6, 53.98], a4: [297, 210], letter: [279.4, 215.9] } as const;

export function photographMeasured(scene: MeasuredScene): MeasuredPicture {
  const { subject, reference, mmPerUnit, at, turn, tilt, lean, size, seed } = scene;
  // The flat scene, drawn larger than it will be seen.
  const span = SPAN;
  const flatSize = Math.round(size * 1.35);
  const unit = flatSize / span;
  const [mmW, mmH] = SIZES[reference];
  const [w, h] = [mmW / mmPerUnit, mmH / mmPerUnit];
  const angle = (turn * Math.PI) / 180;
  const flat = photographFlat(
    { ...subject, floor: scene.floor ?? subject.floor },
    seed,
    flatSize,
    span,
    (pen) => {
      pen.save();
      pen.translate(at[0], at[1]);
      pen.rotate(angle);
      const sheet = new Path2D();
      const round = reference === 'card' ? 3.18 / mmPerUnit : 0;
      sheet.roundRect(-w / 2, -h / 2, w, h, round);
      pen.fillStyle = reference === 'card' ? '#35557f' : '#fbfaf7';
      pen.fill(sheet);
      if (reference === 'card') {
        pen.fillStyle = '#d9b45a';
        pen.fillRect(-w * 0.36, -h * 0.12, w * 0.13, h * 0.22);
        pen.fillStyle = 'rgba(255,255,255,0.75)';
        pen.fillRect(-w * 0.36, h * 0.22, w * 0.62, h * 0.07);
      }
      pen.restore();
    },
  );
  const project = camera(tilt, lean, size);
  const picture = warped(flat, unit, project, seed);
  const corner = (sx: number, sy: number) => {
    const [x, y] = [(sx * w) / 2, (sy * h) / 2];
    return project.to(
      at[0] + x * Math.cos(angle) - y * Math.sin(angle),
      at[1] + x * Math.sin(angle) + y * Math.cos(angle),
    );
  };
  return {
    picture,
    corners: [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)],
    place: project.to,
  };
}

interface Camera {
  span: number;
  size: number;
  focal: number;
  distance: number;
  cosT: number;
  sinT: number;
  cosL: number;
  sinL: number;
  to: (x: number, y: number) => { x: number; y: number };
}

/**
 * A pinhole camera over the middle of the scene, leaning; the view takes in a little more than 1000 units.
 */
export function camera(tilt: number, lean: number, size: number): Camera {
  const span = SPAN;
  const focal = size * 0.8;
  const distance = (1_080 / size) * focal;
  const [cosT, sinT] = [Math.cos((tilt * Math.PI) / 180), Math.sin((tilt * Math.PI) / 180)];
  const [cosL, sinL] = [Math.cos((lean * Math.PI) / 180), Math.sin((lean * Math.PI) / 180)];
  const to = (x: number, y: number) => {
    const [cx, cy] = [x - 500, y - 500];
    // Turned so that it leans along its own vertical, tilted, turned back.
    const rx = cx * cosL + cy * sinL;
    const ry = -cx * sinL + cy * cosL;
    const pz = distance - ry * sinT;
    const [qx, qy] = [(rx * focal) / pz, (ry * cosT * focal) / pz];
    return { x: size / 2 + qx * cosL - qy * sinL, y: size / 2 + qx * sinL + qy * cosL };
  };
  return { span, size, focal, distance, cosT, sinT, cosL, sinL, to };
}

/** The flat scene as the camera sees it, four rays a pixel, with grain. */
function warped(flat: Canvas, unit: number, camera: Camera, seed: number): Canvas {
  const { size, focal, distance, cosT, sinT, cosL, sinL } = camera;
  const { width, height } = flat;
  const source = new Uint8Array(flat.getContext('2d').getImageData(0, 0, width, height).data);
  const picture = createCanvas(size, size);
  const pen = picture.getContext('2d');
  const out = new Uint8ClampedArray(size * size * 4);
  const random = new Random(seed);
  const offset = (camera.span - 1_000) / 2;
  for (let y = 0, at = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1, at += 4) {
      let r = 0;
      let g = 0;
      let b = 0;
      for (let ray = 0; ray < 4; ray += 1) {
        const ix = x + (ray & 1 ? 0.75 : 0.25) - size / 2;
        const iy = y + (ray & 2 ? 0.75 : 0.25) - size / 2;
        const qx = ix * cosL + iy * sinL;
        const qy = -ix * sinL + iy * cosL;
        const ry = (qy * distance) / (focal * cosT + qy * sinT);
        const rx = (qx * (distance - ry * sinT)) / focal;
        const u = Math.min(width - 1.01, Math.max(0, (500 + rx * cosL - ry * sinL + offset) * unit - 0.5));
        const v = Math.min(height - 1.01, Math.max(0, (500 + rx * sinL + ry * cosL + offset) * unit - 0.5));
        const left = Math.floor(u);
        const top = Math.floor(v);
        const fx = u - left;
        const fy = v - top;
        const q = (top * width + left) * 4;
        const w = q + width * 4;
        const w00 = (1 - fx) * (1 - fy);
        const w10 = fx * (1 - fy);
        const w01 = (1 - fx) * fy;
        const w11 = fx * fy;
        r += source[q]! * w00 + source[q + 4]! * w10 + source[w]! * w01 + source[w + 4]! * w11;
        g += source[q + 1]! * w00 + source[q + 5]! * w10 + source[w + 1]! * w01 + source[w + 5]! * w11;
        b += source[q + 2]! * w00 + source[q + 6]! * w10 + source[w + 2]! * w01 + source[w + 6]! * w11;
      }
      const grain = (random.next() + random.next() - 1) * 7;
      out[at] = r / 4 + grain;
      out[at + 1] = g / 4 + grain;
      out[at + 2] = b / 4 + grain;
      out[at + 3] = 255;
    }
  const image = pen.createImageData(size, size);
  image.data.set(out);
  pen.putImageData(image, 0, 0);
  return picture;
}
