import { componentsOf } from './components';
import type { Mask } from './pixels';

/** Pieces of less than this share of the picture are none. */
const LEAST = 0.003;
/** How much of the rectangle with its own moments a piece fills, when it has four straight sides. */
const FILLED = [0.93, 1.03] as const;
/** Longer side over shorter, of cards and sheets seen from above or a little aslant. */
const SHAPE = [1.12, 1.95] as const;

/**
 * Whether something with the shape of a card or a sheet of paper lies beside something else: worth looking
 * for one exactly, which takes long.
 *
 * @param mask what lies on the floor
 */
export function hasSheetBeside({ width, height, data }: Mask): boolean {
  const solid = data.map((value) => (value > 127 ? 1 : 0));
  const { of, all } = componentsOf(solid, width, height);
  const pieces = all.filter((one) => one.area >= LEAST * width * height);
  if (pieces.length < 2) return false;
  return pieces.some((one) => {
    let [n, sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0, 0];
    for (let y = one.top; y <= one.bottom; y += 1)
      for (let x = one.left; x <= one.right; x += 1)
        if (of[y * width + x] === one.id) {
          n += 1;
          sx += x;
          sy += y;
          sxx += x * x;
          syy += y * y;
          sxy += x * y;
        }
    const [mx, my] = [sx / n, sy / n];
    const [a, b, c] = [sxx / n - mx * mx, syy / n - my * my, sxy / n - mx * my];
    const root = Math.hypot((a - b) / 2, c);
    const [long, short] = [(a + b) / 2 + root, Math.max(1e-6, (a + b) / 2 - root)];
    // A rectangle of sides p and q has the moments p²/12 and q²/12.
    const filled = n / (12 * Math.sqrt(long * short));
    const shape = Math.sqrt(long / short);
    return filled > FILLED[0] && filled < FILLED[1] && shape > SHAPE[0] && shape < SHAPE[1];
  });
}
