import { useEffect, useState } from 'react';

import type { Point, Reading } from '@/contract/picture';
import { readOriginal } from '@/store/pictures/pictures';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { useColours } from '@/theme/theme';

type Place = Pick<Reading, 'pictureId' | 'box' | 'laid'>;
type Line = readonly [Point, Point];
type Part = readonly [number, number, number, number];

/** The part of a picture that readings stand at, with the lines they were measured along. */
export function Crop(props: { of: readonly Place[]; alt: string; height: number; width?: number }) {
  const c = useColours();
  const address = useCrop(props.of);
  if (!address) return null;
  return (
    <img
      src={address}
      alt={props.alt}
      style={{
        maxWidth: props.width ?? '100%',
        maxHeight: props.height,
        alignSelf: 'flex-start',
        objectFit: 'contain',
        borderRadius: 6,
        border: `1px solid ${c.line}`,
      }}
    />
  );
}

function useCrop(places: readonly Place[]): string | null {
  const [address, setAddress] = useState<string | null>(null);
  const pictureId = places[0]?.pictureId ?? null;
  // Readings are new objects with every change: the same places are drawn once.
  const key = JSON.stringify(places.map(({ box, laid }) => [box, laid && [laid.a, laid.b]]));
  useEffect(() => {
    let made: string | null = null;
    let wanted = true;
    if (!pictureId) return;
    // Written just above.
    const there = JSON.parse(key) as [Part, Line | null][];
    const lines = there.flatMap(([, line]) => (line ? [line] : []));
    const part = partAround(
      there.map(([box]) => box),
      lines.length > 0,
    );
    void readOriginal(pictureId).then(async (blob) => {
      const cut = blob && (await pictureWorker().part({ key: pictureId, blob }, part, 500, lines));
      if (!cut || !wanted) return;
      made = URL.createObjectURL(cut);
      setAddress(made);
    });
    return () => {
      wanted = false;
      if (made) URL.revokeObjectURL(made);
    };
  }, [pictureId, key]);
  return address;
}

/** All of them, and words with a little around: half a line, and a hundredth of the picture at least. */
function partAround(boxes: readonly Part[], isLaid: boolean): Part {
  const edge = isLaid ? 0 : Math.max(Math.max(...boxes.map((b) => b[3])) * 0.5, 0.01);
  const left = Math.max(0, Math.min(...boxes.map((b) => b[0])) - edge);
  const top = Math.max(0, Math.min(...boxes.map((b) => b[1])) - edge);
  const right = Math.max(...boxes.map((b) => b[0] + b[2])) + edge;
  const bottom = Math.max(...boxes.map((b) => b[1] + b[3])) + edge;
  return [left, top, Math.min(1 - left, right - left), Math.min(1 - top, bottom - top)];
}
