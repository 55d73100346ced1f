import { boxBlur, greyOf, quantile, type Pixels } from './pixels';

/** Side of the squares looked at, pixels. */
const TILE = 32;

export interface Sharpness {
  /**
   * How far an edge is spread, as the standard deviation of a Gaussian blur in pixels of a picture of
   * 1 280 on its longer side. About 1 is as sharp as such a picture gets.
   */
  blur: number;
  /**
   * Variance of the Laplacian over the squares with most detail, grey values squared (Pech-Pacheco et al.
   * 2000).
   */
  laplacian: number;
}

/**
 * Sharpness where there is most to be sharp. The variance of the Laplacian alone also grows with contrast;
 * over the energy of the gradient it tells how wide edges are: for an edge blurred by a Gaussian of σ,
 * ∫I′² : ∫I″² = 2σ². What noise adds to both is measured in the flattest squares and taken off.
 */
export function sharpnessOf(picture: Pixels): Sharpness {
  const { width, height } = picture;
  const grey = boxBlur(greyOf(picture), 1).data;
  const tiles: { grad: number; lap: number }[] = [];
  for (let top = 1; top + TILE < height; top += TILE)
    for (let left = 1; left + TILE < width; left += TILE) {
      let grad = 0;
      let lap = 0;
      for (let y = top; y < top + TILE; y += 1)
        for (let x = left; x < left + TILE; x += 1) {
          const p = y * width + x;
          const gx = (grey[p + 1]! - grey[p - 1]!) / 2;
          const gy = (grey[p + width]! - grey[p - width]!) / 2;
          const l = grey[p + 1]! + grey[p - 1]! + grey[p + width]! + grey[p - width]! - 4 * grey[p]!;
          grad += gx * gx + gy * gy;
          lap += l * l;
        }
      tiles.push({ grad: grad / TILE ** 2, lap: lap / TILE ** 2 });
    }
  if (tiles.length === 0) return { blur: NaN, laplacian: 0 };
  const quiet = {
    grad: quantile(
      tiles.map((t) => t.grad),
      0.05,
    ),
    lap: quantile(
      tiles.map((t) => t.lap),
      0.05,
    ),
  };
  const most = tiles.sort((a, b) => b.grad - a.grad).slice(0, Math.max(1, Math.round(tiles.length * 0.06)));
  const mean = (key: 'grad' | 'lap') => most.reduce((sum, t) => sum + t[key], 0) / most.length;
  const grad = Math.max(1e-6, mean('grad') - quiet.grad);
  const lap = Math.max(1e-6, mean('lap') - quiet.lap);
  const scale = 1_280 / Math.max(width, height);
  return { blur: Math.sqrt(grad / (2 * lap)) * scale, laplacian: mean('lap') };
}
