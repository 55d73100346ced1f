/** What a marketplace wants of a picture. */
export interface RenditionSpec {
  maxLongSide: number;
  shape: 'any' | 'square';
}

/** Where the picture goes on the canvas, in pixels. */
export interface Placement {
  canvasWidth: number;
  canvasHeight: number;
  x: number;
  y: number;
  width: number;
  height: number;
}

/**
 * Fits a picture to what a marketplace wants without cutting anything off and without making it
 * larger: a square is filled up at the sides, not cropped.
 *
 * @param width pixels, >= 1
 * @param height pixels, >= 1
 */
export function placementFor(width: number, height: number, spec: RenditionSpec): Placement {
  const scale = Math.min(1, spec.maxLongSide / Math.max(width, height));
  const w = Math.max(1, Math.round(width * scale));
  const h = Math.max(1, Math.round(height * scale));
  if (spec.shape === 'any') return { canvasWidth: w, canvasHeight: h, x: 0, y: 0, width: w, height: h };
  const side = Math.max(w, h);
  return {
    canvasWidth: side,
    canvasHeight: side,
    x: Math.floor((side - w) / 2),
    y: Math.floor((side - h) / 2),
    width: w,
    height: h,
  };
}

/** Size that fits into a longer side, never larger than the picture itself. */
export function scaledTo(width: number, height: number, longSide: number): { width: number; height: number } {
  const { width: w, height: h } = placementFor(width, height, { maxLongSide: longSide, shape: 'any' });
  return { width: w, height: h };
}
