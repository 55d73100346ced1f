import { useCallback, useEffect, useRef, useState } from 'react';

import type { Preview } from '@/workers/picture.worker';

export interface ShownPreview {
  address: string;
  shape: number;
}

/**
 * A picture made for looking at, as an address; the one before stays until the next is there.
 *
 * @param make changes its identity when the picture has to be made anew
 */
export function usePreview(make: () => Promise<Preview>): {
  preview: ShownPreview | null;
  show: (preview: Preview) => void;
} {
  const [preview, setPreview] = useState<ShownPreview | null>(null);
  const last = useRef<string | null>(null);
  const show = useCallback(({ blob, width, height }: Preview) => {
    const before = last.current;
    const address = URL.createObjectURL(blob);
    last.current = address;
    setPreview({ address, shape: width / height });
    if (before) setTimeout(() => URL.revokeObjectURL(before), 2_000);
  }, []);
  useEffect(() => {
    let wanted = true;
    void make().then(
      (made) => wanted && show(made),
      // No bytes on this device: the empty frame says it.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [make, show]);
  useEffect(
    () => () => {
      if (last.current) URL.revokeObjectURL(last.current);
    },
    [],
  );
  return { preview, show };
}
