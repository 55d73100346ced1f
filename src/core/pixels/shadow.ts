import { backgroundRow, type Background } from './background';
import type { LabPixels } from './lab';
import { boxBlur, type Plane } from './pixels';

/** How dark a shadow may be, as a share of the background's light, and how sharp its edge. */
const DARKEST = 0.2;
/** L* a pixel, in a picture of 800 pixels. */
const SHARPEST = 3.4;
/** How far a shadow's tint may be from the background's, in units of a* and b*. */
const TINT = 7;
/** A shadow only gets darker on the way in; how much lighter it may be again, as a share of the cube root. */
const REBOUND = 0.012;

/**
 * Takes soft shadows out, from outside in: a shadow is darker than the background, has its tint, and
 * fades softly; the first sharp edge is the item's own. Light scales X, Y and Z alike, so L* + 16, a* and
 * b* all scale with its cube root: that is what "its tint" means.
 */
export function peelShadow(lab: LabPixels, background: Background, differs: Uint8Array): void {
  const { width, height, data } = lab;
  const light: Plane = { width, height, data: new Float32Array(width * height) };
  for (let p = 0; p < light.data.length; p += 1) light.data[p] = data[p * 3]!;
  const scale = Math.max(width, height) / 800;
  const radius = Math.max(1, Math.round(1.2 * scale));
  const smooth = boxBlur(light, radius).data;
  const sharpest = SHARPEST / scale;
  const row = new Float32Array(width * 3);
  // Share of the background's light that is left, as a cube root; 0 where it can be no shadow.
  const left = new Float32Array(width * height);
  const tint = TINT + 2 * (background.spread[1] + background.spread[2]);
  for (let y = 1; y < height - 1; y += 1) {
    backgroundRow(background, y, width, height, row);
    for (let x = 1; x < width - 1; x += 1) {
      const p = y * width + x;
      if (differs[p] === 0) continue;
      const k = (smooth[p]! + 16) / (row[x * 3]! + 16);
      if (k > 1.01 || k < Math.cbrt(DARKEST)) continue;
      const gx = (smooth[p + 1]! - smooth[p - 1]!) / 2;
      const gy = (smooth[p + width]! - smooth[p - width]!) / 2;
      if (gx * gx + gy * gy > sharpest * sharpest) continue;
      const da = data[p * 3 + 1]! - row[x * 3 + 1]! * k;
      const db = data[p * 3 + 2]! - row[x * 3 + 2]! * k;
      if (da * da + db * db > tint * tint) continue;
      left[p] = k;
    }
  }
  // Breadth first, so that each pixel is reached by about its shortest way in.
  const queue = new Int32Array(width * height);
  const darkest = new Float32Array(width * height);
  let head = 0;
  let tail = 0;
  for (let p = 0; p < differs.length; p += 1)
    if (differs[p] === 0) {
      queue[tail++] = p;
      darkest[p] = 1;
    }
  const peel = (q: number, from: number) => {
    const k = left[q]!;
    if (k === 0 || k > from + REBOUND) return;
    left[q] = 0;
    differs[q] = 0;
    darkest[q] = Math.min(from, k);
    queue[tail++] = q;
  };
  while (head < tail) {
    const p = queue[head++]!;
    const x = p % width;
    const from = darkest[p]!;
    if (x > 0) peel(p - 1, from);
    if (x < width - 1) peel(p + 1, from);
    if (p >= width) peel(p - width, from);
    if (p + width < differs.length) peel(p + width, from);
  }
}
