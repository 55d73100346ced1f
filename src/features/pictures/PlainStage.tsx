import { Stage } from '@/parts/ui/Stage';

import type { ShownPreview } from './usePreview';

export const STAGE_HEIGHT = '56vh';

/** The picture, only to be looked at. */
export function PlainStage({ preview, alt }: { preview: ShownPreview | null; alt: string }) {
  return (
    <Stage
      address={preview?.address ?? null}
      alt={alt}
      shape={preview?.shape ?? 1}
      maxHeight={STAGE_HEIGHT}
    />
  );
}
