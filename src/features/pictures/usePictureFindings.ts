import { useMemo } from 'react';

import type { Picture, Thing } from '@/contract/records';
import { judge, LIMITS, type PictureFinding } from '@/core/picture/judge';
import { fingerprintDistance } from '@/core/pixels/fingerprint';
import { useAttic } from '@/store/attic';
import { useKinds } from '@/store/kinds';

/** What is worth saying about one of a thing's pictures, most useful first. */
export function usePictureFindings(thing: Thing | undefined, picture: Picture | undefined): PictureFinding[] {
  const pictures = useAttic((s) => s.pictures);
  const things = useAttic((s) => s.things);
  const kinds = useKinds();
  return useMemo(() => {
    if (!thing || !picture) return [];
    return judge(picture, {
      cover: thing.pictureIds[0] === picture.id,
      stance: kinds.get(thing.kind)?.stance ?? undefined,
      twin: twinOf(picture, thing, pictures, things),
    });
  }, [thing, picture, pictures, things, kinds]);
}

/** Another picture that looks the same; the thing's own ones first. */
function twinOf(
  picture: Picture,
  thing: Thing,
  pictures: Record<string, Picture>,
  things: Record<string, Thing>,
): string | null {
  const print = picture.exam?.print;
  if (!print || picture.made) return null;
  const same = (other: Picture | undefined) =>
    !!other &&
    other.id !== picture.id &&
    !other.made &&
    !!other.exam &&
    fingerprintDistance(print, other.exam.print) < LIMITS.duplicate;
  const at = thing.pictureIds.findIndex((id) => same(pictures[id]));
  if (at >= 0) return `picture ${at + 1}`;
  const elsewhere = Object.values(pictures).find((p) => p.thingId !== thing.id && same(p));
  const owner = elsewhere && things[elsewhere.thingId];
  return owner ? `a picture of ${owner.code}` : null;
}
