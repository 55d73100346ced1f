import type { Pixels } from '@/core/pixels/pixels';

export function context2d(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('This browser can’t draw in the background.');
  context.imageSmoothingQuality = 'high';
  return context;
}

/** The picture at another size. JPEG has no transparency: what was clear becomes white, not black. */
export function drawn(from: ImageBitmap | OffscreenCanvas, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(width, height);
  const context = context2d(canvas);
  context.fillStyle = '#fff';
  context.fillRect(0, 0, width, height);
  context.drawImage(from, 0, 0, width, height);
  return canvas;
}

export function jpeg(canvas: OffscreenCanvas, quality: number): Promise<Blob> {
  return canvas.convertToBlob({ type: 'image/jpeg', quality });
}

export function pixelsOf(canvas: OffscreenCanvas): Pixels {
  const { width, height } = canvas;
  return { width, height, data: context2d(canvas).getImageData(0, 0, width, height).data };
}

export function putPixels(canvas: OffscreenCanvas, { width, height, data }: Pixels): void {
  const image = context2d(canvas).createImageData(width, height);
  image.data.set(data);
  context2d(canvas).putImageData(image, 0, 0);
}

/** Mean colour of the picture's border, so that what is filled up looks like its background. */
export function edgeColour(picture: ImageBitmap | OffscreenCanvas): string {
  const side = 16;
  const { data } = pixelsOf(drawn(picture, side, side));
  const sum = [0, 0, 0];
  let n = 0;
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1)
      if (x === 0 || y === 0 || x === side - 1 || y === side - 1) {
        for (let k = 0; k < 3; k += 1) sum[k]! += data[(y * side + x) * 4 + k]!;
        n += 1;
      }
  return `rgb(${sum.map((s) => Math.round(s / n)).join(' ')})`;
}
