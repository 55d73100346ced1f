import type { EditStep } from '@/contract/picture';
import { isPlainGround } from '@/core/picture/judge';
import {
  isPlain,
  lookOf,
  squareAround,
  workAreaOf,
  straightening,
  type Look,
  type Rect,
  type WorkArea,
} from '@/core/picture/look';
import { scaledTo } from '@/core/picture/rendition';
import { boxOf } from '@/core/pixels/examine';
import { curvesFor, gainsFor, relight, type Gains } from '@/core/pixels/light';
import { segment, type Segmented } from '@/core/pixels/mask';
import type { Mask, Pixels } from '@/core/pixels/pixels';
import { maskScaled, outlinePoints, whiten, withStrokes } from '@/core/pixels/whiten';

import { context2d, drawn, edgeColour, pixelsOf, putPixels } from './canvas';

/** What each automatic step would do. */
export interface Proposals {
  degrees: number;
  crop: Rect | null;
  gains: Gains;
  /** A background so plain that the shadow on it is worth keeping. */
  plain: boolean;
  /** The item can be told well from what it lies on; otherwise a person has to draw round it. */
  isSure: boolean;
}

/**
 * Longer side at which the item is told from its background: its edge is then drawn between these pixels.
 */
const MASK_SIDE = 1_000;

/** The original that is being worked on, with what was found out about it, so that the next step is quick. */
export class PictureSession {
  private constructor(
    readonly key: string,
    readonly original: ImageBitmap,
  ) {}

  private found: Segmented | null = null;
  private scaled: Pixels | null = null;

  static async open(key: string, blob: Blob): Promise<PictureSession> {
    return new PictureSession(key, await createImageBitmap(blob));
  }

  close(): void {
    this.original.close();
  }

  private small(): Pixels {
    if (this.scaled) return this.scaled;
    const { width, height } = scaledTo(this.original.width, this.original.height, MASK_SIDE);
    this.scaled = pixelsOf(drawn(this.original, width, height));
    return this.scaled;
  }

  segmented(): Segmented {
    this.found ??= segment(this.small());
    return this.found;
  }

  maskWith(look: Look): Mask {
    return withStrokes(this.segmented().mask, look.strokes);
  }

  /** The same; null when it can't be relied on, and no one has drawn it. */
  sureMask(look: Look): Mask | null {
    const { isSure } = this.segmented();
    return isSure || look.strokes.length > 0 ? this.maskWith(look) : null;
  }

  /** What each automatic step would do now. */
  proposals(steps: readonly EditStep[]): Proposals {
    const look = lookOf(steps);
    const mask = this.maskWith(look);
    const outline = outlinePoints(mask);
    const { width, height } = this.original;
    return {
      degrees: straightening(outline, boxOf(mask).area, look.quarters, width, height),
      crop: squareAround(outline, look, width, height),
      gains: gainsFor(this.small(), mask),
      plain: isPlainGround(this.segmented().background),
      isSure: this.sureMask(look) !== null,
    };
  }

  /** The picture with everything done to it. As a ghost, what was made white still shines through. */
  developed(look: Look, maxSide: number, ghost = false): { canvas: OffscreenCanvas; stage: WorkArea } {
    const { width, height } = this.original;
    const stage = workAreaOf(look, width, height, maxSide);
    const [a, b] = stage.map;
    // Work at the size that is wanted, not at the original's.
    const scale = Math.min(1, Math.hypot(a, b));
    const worked = drawn(
      this.original,
      Math.max(1, Math.round(width * scale)),
      Math.max(1, Math.round(height * scale)),
    );
    if (look.white || look.gains) {
      const pixels = pixelsOf(worked);
      const curves = look.gains ? curvesFor(look.gains) : null;
      if (look.white) {
        const mask = maskScaled(this.maskWith(look), pixels.width, pixels.height);
        const before = ghost ? pixels.data.slice() : null;
        whiten(pixels, mask, this.segmented().background, look.white, curves);
        if (before) shineThrough(pixels, before, mask);
      } else if (curves) relight(pixels, curves);
      putPixels(worked, pixels);
    }
    if (isPlain({ ...look, gains: null, white: null })) return { canvas: worked, stage };
    const canvas = new OffscreenCanvas(stage.width, stage.height);
    const context = context2d(canvas);
    context.fillStyle = look.white ? '#fff' : edgeColour(worked);
    context.fillRect(0, 0, canvas.width, canvas.height);
    const [m0, m1, m2, m3, m4, m5] = stage.map;
    context.setTransform(m0 / scale, m1 / scale, m2 / scale, m3 / scale, m4, m5);
    context.drawImage(worked, 0, 0);
    context.setTransform(1, 0, 0, 1, 0, 0);
    return { canvas, stage };
  }
}

/** A third of what was there, where it was made white. */
function shineThrough({ data }: Pixels, before: Uint8ClampedArray, mask: Mask): void {
  for (let p = 0, at = 0; p < mask.data.length; p += 1, at += 4) {
    const share = (1 - mask.data[p]! / 255) * 0.34;
    for (let k = 0; k < 3; k += 1) data[at + k] = data[at + k]! * (1 - share) + before[at + k]! * share;
  }
}
