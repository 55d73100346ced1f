import { useEffect, useState } from 'react';

import { originalOf } from '@/store/cleaning';

/** Width and height of a picture's original, in pixels; null until known. */
export function usePictureSize(id: string): { width: number; height: number } | null {
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useEffect(() => {
    let wanted = true;
    void originalOf(id).then(async ({ blob }) => {
      const bitmap = await createImageBitmap(blob);
      if (wanted) setSize({ width: bitmap.width, height: bitmap.height });
      bitmap.close();
    }, () => undefined); // prettier-ignore
    return () => {
      wanted = false;
    };
  }, [id]);
  return size;
}
