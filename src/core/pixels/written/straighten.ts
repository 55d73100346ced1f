import { componentsOf } from '../components';
import { boxBlur, redrawn, type Plane } from '../pixels';
import type { TextBlock } from './textBlocks';

/** Height of usual letters that a reader of text likes, pixels. Common practice: 20 to 40. */
export const LIKED = 34;
/** No longer than this, pixels. */
const LONGEST = 2_200;
/** Most that it is enlarged: there is nothing more to be seen. */
const ENLARGED = 4;
/** How far about the letters it is cut out, over their height. */
const CLOSE = 1.1;

/** A block cut out with a margin, upright, its letters dark on light and of the height that is read best. */
export interface Straight {
  plane: Plane;
  /** A place in it, shares, as a place in the picture, pixels. */
  toPicture(x: number, y: number): { x: number; y: number };
}

/**
 * @param upsideDown the other end up
 * @param liked how tall letters are to be, pixels
 */
export function straightened(
  grey: Plane,
  block: TextBlock,
  upsideDown: boolean,
  liked: number = LIKED,
): Straight {
  const [w, h] = [block.width + 2 * CLOSE * block.tall, block.height + 2 * CLOSE * block.tall];
  const scale = Math.min(liked / block.tall, LONGEST / Math.max(w, h), ENLARGED);
  const [width, height] = [Math.max(1, Math.round(w * scale)), Math.max(1, Math.round(h * scale))];
  const turn = ((block.angle + (upsideDown ? 180 : 0)) * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const toPicture = (x: number, y: number) => {
    const [u, v] = [(x - 0.5) * w, (y - 0.5) * h];
    return { x: block.x + u * cos - v * sin, y: block.y + u * sin + v * cos };
  };
  // Made smaller, each pixel is the mean of several.
  const fine = Math.max(1, Math.min(3, Math.round(1 / scale)));
  const [across, down] = [w / width, h / height];
  const corner = toPicture(0, 0);
  const plane = redrawn(grey, { width, height, fine }, [
    cos * across,
    sin * across,
    -sin * down,
    cos * down,
    corner.x,
    corner.y,
  ]);
  return { plane: evened(plane, scale * block.tall), toPicture };
}

/** The same with its other end up. */
export function turnedOver({ plane, toPicture }: Straight): Straight {
  return {
    plane: { ...plane, data: plane.data.slice().reverse() },
    toPicture: (x, y) => toPicture(1 - x, 1 - y),
  };
}

/**
 * Even light, dark letters on light: what a pixel is against what lies around it. Ink covers less than paper
 * does: on its side the values reach farther from the middle.
 */
function evened(plane: Plane, tall: number): Plane {
  const mean = boxBlur(plane, Math.round(2.2 * tall)).data;
  const { width, height, data } = plane;
  const off = new Float32Array(data.length);
  for (let p = 0; p < off.length; p += 1) off[p] = data[p]! - mean[p]!;
  const some = Float32Array.from(
    { length: SOME },
    (_, i) => off[Math.floor((i * off.length) / SOME)]!,
  ).sort();
  const at = (share: number) => some[Math.floor(share * SOME)]!;
  const sign = at(0.5) - at(0.02) >= at(0.98) - at(0.5) ? 1 : -1;
  // The darkest are ink, the lighter half paper.
  const [low, high] = sign > 0 ? [at(0.01), at(0.45)] : [-at(0.99), -at(0.55)];
  const gain = 230 / Math.max(20, high - low);
  for (let p = 0; p < off.length; p += 1)
    off[p] = Math.min(255, Math.max(0, 20 + (off[p]! * sign - low) * gain));
  return { width, height, data: withoutRim(off, width, height) };
}

/**
 * What is dark and runs in from beyond the border is the paper's edge, or what it lies on: no letter. Readers
 * of text stumble over it.
 */
function withoutRim(data: Float32Array, width: number, height: number): Float32Array {
  const dark = new Uint8Array(data.length);
  for (let p = 0; p < dark.length; p += 1) if (data[p]! < DARK) dark[p] = 1;
  const { of, all } = componentsOf(dark, width, height);
  const runsIn = all.map(
    (c) => c.left === 0 || c.top === 0 || c.right === width - 1 || c.bottom === height - 1,
  );
  for (let p = 0; p < of.length; p += 1) {
    const id = of[p]!;
    // Ids are places in the list plus one.
    if (id > 0 && runsIn[id - 1]) data[p] = 255;
  }
  return data;
}
const DARK = 170;

/** So many pixels tell what all of them are like. */
const SOME = 4_000;
