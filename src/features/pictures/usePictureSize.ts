import { useEffect, useState } from 'react';

import { originalOf } from '@/store/pictures/cleaning';

export interface Size {
  width: number;
  height: number;
}

/** Width and height of a picture's original, in pixels. */
export async function pictureSize(id: string): Promise<Size> {
  const { blob } = await originalOf(id);
  const bitmap = await createImageBitmap(blob);
  const size = { width: bitmap.width, height: bitmap.height };
  bitmap.close();
  return size;
}

/** The same for drawing with; null until known. */
export function usePictureSize(id: string): Size | null {
  const [size, setSize] = useState<Size | null>(null);
  useEffect(() => {
    let wanted = true;
    pictureSize(id).then(
      (known) => wanted && setSize(known),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [id]);
  return size;
}
