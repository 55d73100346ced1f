import { useState } from 'react';

import type { MeasureLine } from '@/contract/picture';
import type { Picture } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import type { Corners } from '@/core/measure/plane';
import { originalOf } from '@/store/pictures/cleaning';
import { pictureWorker } from '@/store/pictures/pictureWorker';

/**
 * The lines that are measured along. A line that was laid by itself measures nothing before a person has
 * looked
 * at it: dragged an end, or said that it lies right.
 */
export function useLines(picture: Picture, specs: readonly MeasureSpec[], kept: readonly MeasureLine[] = []) {
  const [lines, setLines] = useState<readonly MeasureLine[]>(kept);
  const [looked, setLooked] = useState<ReadonlySet<string>>(new Set(kept.map((l) => l.measure)));
  const [looseEnds, setLooseEnds] = useState(false);
  const seen = (measure: string) => setLooked((before) => new Set(before).add(measure));

  const chooseLines = async (ids: readonly string[], sheet: Corners | null) => {
    const drawn = lines.map((l) => l.measure);
    const wanted = specs
      .filter((spec) => ids.includes(spec.id) && !drawn.includes(spec.id))
      .map((spec) => ({ measure: spec.id, line: spec.line }));
    setLines((now) => now.filter((l) => ids.includes(l.measure)));
    setLooked((now) => new Set([...now].filter((measure) => ids.includes(measure))));
    if (wanted.length === 0) return;
    const laid = await pictureWorker().usualLines(await originalOf(picture.id), picture.steps, sheet, wanted);
    setLooseEnds(!laid.onEdges);
    setLines((now) => [...now, ...laid.lines]);
  };
  const drag = (next: readonly MeasureLine[]) => {
    for (const line of next) if (!lines.includes(line)) seen(line.measure);
    setLines(next);
  };
  return { lines, looked, looseEnds, chooseLines, drag, seen };
}
