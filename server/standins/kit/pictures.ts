import { imageSize } from 'image-size';

export interface Measured {
  width: number;
  height: number;
}

/** Size of a JPEG; null for anything that is not one. */
export function measureJpeg(bytes: Uint8Array): Measured | null {
  try {
    const { width, height, type } = imageSize(bytes);
    return type === 'jpg' && width > 0 && height > 0 ? { width, height } : null;
  } catch {
    return null;
  }
}
