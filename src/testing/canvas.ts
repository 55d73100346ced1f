import { createCanvas, ImageData as Pixels, loadImage, type Canvas, type Image } from '@napi-rs/canvas';

/** What a browser draws on in the background, which jsdom lacks: the same drawing, by a library. */
class Drawable {
  private readonly canvas: Canvas;
  constructor(
    readonly width: number,
    readonly height: number,
  ) {
    this.canvas = createCanvas(width, height);
  }
  getContext(sort: '2d') {
    const context = this.canvas.getContext(sort);
    const draw = context.drawImage.bind(context) as (...what: unknown[]) => void;
    // What is drawn may itself be one of these.
    context.drawImage = ((of: unknown, ...where: unknown[]) =>
      draw(within(of), ...where)) as typeof context.drawImage;
    return context;
  }
  async convertToBlob({ quality = 0.9 }: { quality?: number } = {}) {
    const bytes = await this.canvas.encode('jpeg', Math.round(quality * 100));
    return new Blob([new Uint8Array(bytes)], { type: 'image/jpeg' });
  }
  get inside() {
    return this.canvas;
  }
}

class Bitmap {
  constructor(readonly inside: Image) {}
  get width() {
    return this.inside.width;
  }
  get height() {
    return this.inside.height;
  }
  close() {}
}

const within = (of: unknown) => (of instanceof Drawable || of instanceof Bitmap ? of.inside : of);

/** From now on pictures can be decoded, drawn and encoded. */
export function furnishCanvas(): void {
  Object.assign(globalThis, {
    OffscreenCanvas: Drawable,
    ImageData: Pixels,
    createImageBitmap: async (blob: Blob) =>
      new Bitmap(await loadImage(Buffer.from(await blob.arrayBuffer()))),
  });
}

/** A picture file: what is painted on it, as a camera would save it. */
export async function pictureFile(
  name: string,
  width: number,
  height: number,
  paint: (pen: ReturnType<Canvas['getContext']>) => void,
): Promise<File> {
  const canvas = createCanvas(width, height);
  paint(canvas.getContext('2d'));
  return new File([new Uint8Array(await canvas.encode('jpeg', 92))], name, { type: 'image/jpeg' });
}
