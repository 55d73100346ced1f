import type { Stroke } from '@/contract/picture';

import { backgroundRow, type Background } from './background';
import { labPixels } from './lab';
import type { Curves } from './light';
import { boxBlur, type Mask, type Pixels } from './pixels';

/** Share of the background's light above which nothing is a shadow. */
const LIT = 0.88;
/** How far from the item its shadow falls at most, as a share of the picture's longer side. */
const REACH = 0.05;

/**
 * Makes everything but the item white, in place. Half-covered edge pixels lose the background's share of
 * their colour, so that no rim of it stays.
 *
 * @param mask the size of the picture
 * @param shadow `kept`: the background's own shadows stay, grey on white
 * @param curves light for the item alone: the paper is white already
 */
export function whiten(
  picture: Pixels,
  mask: Mask,
  background: Background,
  shadow: 'kept' | 'dropped',
  curves: Curves | null = null,
): void {
  const { width, height, data } = picture;
  const shade = shadow === 'kept' ? shadows(picture, mask, background) : null;
  const behind = backgroundRgb(background, width, height);
  for (let y = 0, p = 0; y < height; y += 1) {
    behind.row(y);
    for (let x = 0; x < width; x += 1, p += 1) {
      const alpha = mask.data[p]! / 255;
      const at = p * 4;
      const paper = shade ? shade[p]! : 255;
      for (let k = 0; k < 3; k += 1) {
        if (alpha < 0.05) {
          data[at + k] = paper;
          continue;
        }
        const seen = (data[at + k]! - (1 - alpha) * behind.at(x, k)) / alpha;
        const own = Math.round(Math.min(255, Math.max(0, seen)));
        data[at + k] = alpha * (curves ? curves[k]![own]! : own) + (1 - alpha) * paper;
      }
    }
  }
}

/** Grey of the paper under each pixel, 0 to 255: 255 where no shadow falls. */
function shadows(picture: Pixels, mask: Mask, background: Background): Float32Array {
  const { width, height } = picture;
  const lab = labPixels(picture);
  const left = new Float32Array(width * height);
  const row = new Float32Array(width * 3);
  for (let y = 0, p = 0; y < height; y += 1) {
    backgroundRow(background, y, width, height, row);
    for (let x = 0; x < width; x += 1, p += 1)
      // What is under the item is not seen: it must not darken what is beside it.
      left[p] = mask.data[p]! > 10 ? 1 : Math.min(1, ((lab.data[p * 3]! + 16) / (row[x * 3]! + 16)) ** 3);
  }
  const radius = Math.max(1, Math.round(Math.max(width, height) / 300));
  const smooth = boxBlur({ width, height, data: left }, radius).data;
  // Only what lies near the item can be its shadow: gaps between boards elsewhere are not.
  const around = boxBlur(
    { width, height, data: new Float32Array(mask.data) },
    Math.round(Math.max(width, height) * REACH),
  );
  return smooth.map(
    (share, p) => 255 * (1 - Math.min(1, around.data[p]! / 24) * (1 - Math.min(1, share / LIT) ** (1 / 2.2))),
  );
}

/** The fitted background as sRGB, one row at a time; a thirty-second of a row is as fine as it changes. */
function backgroundRgb(background: Background, width: number, height: number) {
  const lab = new Float32Array(width * 3);
  const rgb = new Float32Array(width * 3);
  return {
    row(y: number) {
      backgroundRow(background, y, width, height, lab);
      for (let x = 0; x < width; x += 1) {
        if (x % 32 !== 0) {
          rgb.copyWithin(x * 3, x * 3 - 3, x * 3);
          continue;
        }
        const fy = (lab[x * 3]! + 16) / 116;
        const cubed = (f: number) => (f ** 3 > 216 / 24_389 ? f ** 3 : (116 * f - 16) / (24_389 / 27));
        const X = cubed(fy + lab[x * 3 + 1]! / 500) * 0.95047;
        const Y = cubed(fy);
        const Z = cubed(fy - lab[x * 3 + 2]! / 200) * 1.08883;
        rgb[x * 3] = byte(3.2404542 * X - 1.5371385 * Y - 0.4985314 * Z);
        rgb[x * 3 + 1] = byte(-0.969266 * X + 1.8760108 * Y + 0.041556 * Z);
        rgb[x * 3 + 2] = byte(0.0556434 * X - 0.2040259 * Y + 1.0572252 * Z);
      }
    },
    at: (x: number, channel: number) => rgb[x * 3 + channel]!,
  };
}

function byte(value: number): number {
  const v = Math.min(1, Math.max(0, value));
  return 255 * (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);
}

/** The mask at another size, between its pixels, with the edge drawn together again. */
export function maskScaled(mask: Mask, width: number, height: number): Mask {
  const data = new Uint8Array(width * height);
  for (let y = 0, p = 0; y < height; y += 1) {
    const v = Math.min(mask.height - 1, Math.max(0, ((y + 0.5) * mask.height) / height - 0.5));
    const top = Math.min(mask.height - 2, Math.floor(v));
    const fy = v - top;
    for (let x = 0; x < width; x += 1, p += 1) {
      const u = Math.min(mask.width - 1, Math.max(0, ((x + 0.5) * mask.width) / width - 0.5));
      const left = Math.min(mask.width - 2, Math.floor(u));
      const fx = u - left;
      const at = top * mask.width + left;
      const above = mask.data[at]! * (1 - fx) + mask.data[at + 1]! * fx;
      const below = mask.data[at + mask.width]! * (1 - fx) + mask.data[at + mask.width + 1]! * fx;
      const value = above * (1 - fy) + below * fy;
      data[p] = Math.min(255, Math.max(0, (value - 127.5) * 1.5 + 127.5));
    }
  }
  return { width, height, data };
}

/** The mask with a person's strokes on it, in their order. The given mask stays as it is. */
export function withStrokes(mask: Mask, strokes: readonly Stroke[]): Mask {
  const { width, height } = mask;
  const data = mask.data.slice();
  const side = Math.max(width, height);
  for (const { mode, radius, points } of strokes) {
    const r = Math.max(1, radius * side);
    const value = mode === 'add' ? 255 : 0;
    points.forEach((point, i) => {
      const from = points[Math.max(0, i - 1)]!;
      const length = Math.hypot((point.x - from.x) * width, (point.y - from.y) * height);
      const stops = Math.max(1, Math.ceil(length / (r / 2)));
      for (let s = 1; s <= stops; s += 1) {
        const t = s / stops;
        disc(
          data,
          width,
          height,
          (from.x + (point.x - from.x) * t) * width,
          (from.y + (point.y - from.y) * t) * height,
          r,
          value,
        );
      }
    });
  }
  return { width, height, data };
}

function disc(
  data: Uint8Array,
  width: number,
  height: number,
  cx: number,
  cy: number,
  r: number,
  value: number,
): void {
  const top = Math.max(0, Math.floor(cy - r - 1));
  const bottom = Math.min(height - 1, Math.ceil(cy + r + 1));
  const left = Math.max(0, Math.floor(cx - r - 1));
  const right = Math.min(width - 1, Math.ceil(cx + r + 1));
  for (let y = top; y <= bottom; y += 1)
    for (let x = left; x <= right; x += 1) {
      const cover = Math.min(1, Math.max(0, r + 0.5 - Math.hypot(x + 0.5 - cx, y + 0.5 - cy)));
      if (cover === 0) continue;
      const p = y * width + x;
      data[p] = Math.round(data[p]! + (value - data[p]!) * cover);
    }
}

/** Points along the item's edge, in shares of the picture; a few hundred at most. */
export function outlinePoints({ width, height, data }: Mask): { x: number; y: number }[] {
  const points: { x: number; y: number }[] = [];
  const step = Math.max(1, Math.round(height / 160));
  for (let y = 0; y < height; y += step) {
    let first = -1;
    let last = -1;
    for (let x = 0; x < width; x += 1)
      if (data[y * width + x]! > 127) {
        if (first < 0) first = x;
        last = x;
      }
    if (first >= 0)
      points.push(
        { x: first / width, y: (y + 0.5) / height },
        { x: (last + 1) / width, y: (y + 0.5) / height },
      );
  }
  return points;
}
