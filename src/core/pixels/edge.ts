import { labOf, type LabPixels } from './lab';
import { boxBlur, type Mask, type Pixels } from './pixels';

/**
 * How far from the rough edge the true one is looked for, and colours are gathered, as shares of the longer
 * side.
 */
const BAND = 0.006;
const AROUND = 0.016;
/** Colours on the two sides that are nearer than this say nothing about where the edge is, ΔE. */
const TOLD_APART = 7;

/** Mean colour around each pixel of what is surely on one side of the edge. */
interface Around {
  /** How much of what lies around is on that side. */
  share: Float32Array;
  sums: readonly Float32Array[];
}

/**
 * A rough mask drawn exactly: along its edge each pixel is as much item as its colour lies on the way
 * from the
 * floor's beside it to the item's. Where the two are alike the rough edge stays, a little softened.
 *
 * @param small the picture, smaller
 * @param rough 1 where the item is, in the small picture
 */
export function edgeRefined(picture: Pixels, small: LabPixels, rough: Uint8Array): Mask {
  const { width, height, data } = picture;
  const side = Math.max(small.width, small.height);
  const soft = new Float32Array(rough);
  const near = boxBlur({ ...small, data: soft }, Math.max(1, Math.round(BAND * side))).data;
  const item = around(small, near, (share) => share > SURE[1], AROUND * side);
  const floor = around(small, near, (share) => share < SURE[0], AROUND * side);
  const out = new Uint8Array(width * height);
  const at = placesOf(width, small.width);
  const rows = placesOf(height, small.height);
  const sides = sidesOf(near, small.width);
  for (let y = 0, p = 0; y < height; y += 1) {
    const [top, fy] = [rows.index[y]! * small.width, rows.share[y]!];
    for (let x = 0; x < width; x += 1, p += 1) {
      const q = top + at.index[x]!;
      if (sides[q] === SIDE.item) out[p] = 255;
      else if (sides[q] === SIDE.edge) {
        const s = between(soft, q, small.width, at.share[x]!, fy);
        const seen = shareAt(labOf(data[p * 4]!, data[p * 4 + 1]!, data[p * 4 + 2]!), item, floor, q);
        // What can't be told by its colour follows the rough edge; in between, both have a say.
        out[p] = Math.round(255 * (seen.trust * seen.share + (1 - seen.trust) * s));
      }
    }
  }
  return { width, height, data: out };
}

const SIDE = { floor: 0, item: 1, edge: 2 } as const;
/** From so much of what is near on, a pixel is surely of the one side or of the other. */
const SURE = [0.03, 0.97] as const;

/** Between each pixel and the next, across and down: far from any edge all four agree. */
function sidesOf(near: Float32Array, width: number): Uint8Array {
  const out = new Uint8Array(near.length);
  for (let q = 0; q + width + 1 < near.length; q += 1) {
    const [a, b, c, d] = [near[q]!, near[q + 1]!, near[q + width]!, near[q + width + 1]!];
    const low = Math.min(a, b, c, d);
    if (low > SURE[1]) out[q] = SIDE.item;
    else if (Math.max(a, b, c, d) >= SURE[0]) out[q] = SIDE.edge;
  }
  return out;
}

function around(
  { width, height, data }: LabPixels,
  near: Float32Array,
  isThere: (share: number) => boolean,
  reach: number,
): Around {
  const radius = Math.max(2, Math.round(reach));
  const weights = new Float32Array(near.length);
  const channels = [0, 1, 2].map(() => new Float32Array(near.length));
  for (let p = 0; p < near.length; p += 1) {
    if (!isThere(near[p]!)) continue;
    weights[p] = 1;
    for (let k = 0; k < 3; k += 1) channels[k]![p] = data[p * 3 + k]!;
  }
  const sums = channels.map((channel) => boxBlur({ width, height, data: channel }, radius).data);
  return { share: boxBlur({ width, height, data: weights }, radius).data, sums };
}

/**
 * How far a colour lies on the way from the floor's to the item's, and how much that is worth, 0 to 1 each.
 */
function shareAt(lab: readonly number[], item: Around, floor: Around, q: number) {
  const [wi, wf] = [item.share[q]!, floor.share[q]!];
  if (wi < 1e-4 || wf < 1e-4) return { share: 0, trust: 0 };
  let [along, whole] = [0, 0];
  for (let k = 0; k < 3; k += 1) {
    const f = floor.sums[k]![q]! / wf;
    const d = item.sums[k]![q]! / wi - f;
    along += (lab[k]! - f) * d;
    whole += d * d;
  }
  if (whole === 0) return { share: 0, trust: 0 };
  return {
    share: Math.min(1, Math.max(0, along / whole)),
    trust: Math.min(1, Math.sqrt(whole) / (2 * TOLD_APART)),
  };
}

/** For each pixel of a large side the pixel of the small one before it, and how far it is to the next. */
function placesOf(large: number, small: number): { index: Int32Array; share: Float32Array } {
  const index = new Int32Array(large);
  const share = new Float32Array(large);
  for (let i = 0; i < large; i += 1) {
    const at = Math.min(small - 1.001, Math.max(0, ((i + 0.5) * small) / large - 0.5));
    index[i] = Math.floor(at);
    share[i] = at - index[i]!;
  }
  return { index, share };
}

function between(values: Float32Array, q: number, width: number, fx: number, fy: number): number {
  const above = values[q]! * (1 - fx) + values[q + 1]! * fx;
  const below = values[q + width]! * (1 - fx) + values[q + width + 1]! * fx;
  return above * (1 - fy) + below * fy;
}
