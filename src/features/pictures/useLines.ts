import { useState } from 'react';

import type { MeasureLine } from '@/contract/picture';
import type { Picture } from '@/contract/records';
import type { MeasureSpec } from '@/core/kinds/spec';
import type { Corners } from '@/core/measure/plane';
import { originalOf } from '@/store/pictures/cleaning';
import { pictureWorker } from '@/store/pictures/pictureWorker';

interface Laid {
  lines: readonly MeasureLine[];
  /** Measurements that were chosen, and whose lines are still being laid. */
  awaited: readonly string[];
}

/**
 * The lines that are measured along. A line that was laid by itself measures nothing before a person has
 * looked at it: dragged an end, or said that it lies right.
 *
 * @param kept lines that were looked at before
 * @param laidBefore lines that were laid by themselves when the picture came in
 */
export function useLines(
  picture: Picture,
  specs: readonly MeasureSpec[],
  kept: readonly MeasureLine[] = [],
  laidBefore: readonly MeasureLine[] = [],
) {
  const [{ lines, awaited }, setLaid] = useState<Laid>({ lines: [...kept, ...laidBefore], awaited: [] });
  const [looked, setLooked] = useState<ReadonlySet<string>>(new Set(kept.map((l) => l.measure)));
  const [looseEnds, setLooseEnds] = useState(false);
  const seen = (measure: string) => setLooked((before) => new Set(before).add(measure));
  const chosen = [...lines.map((l) => l.measure), ...awaited];

  const chooseLines = async (ids: readonly string[], sheet: Corners | null) => {
    const wanted = specs
      .filter((spec) => ids.includes(spec.id) && !chosen.includes(spec.id))
      .map((spec) => ({ measure: spec.id, line: spec.line }));
    const names = wanted.map((w) => w.measure);
    setLaid((now) => ({
      lines: now.lines.filter((l) => ids.includes(l.measure)),
      awaited: [...now.awaited.filter((measure) => ids.includes(measure)), ...names],
    }));
    setLooked((now) => new Set([...now].filter((measure) => ids.includes(measure))));
    if (wanted.length === 0) return;
    const stillAwaited = (now: Laid) => now.awaited.filter((measure) => !names.includes(measure));
    try {
      const laid = await pictureWorker().usualLines(
        await originalOf(picture.id),
        picture.steps,
        sheet,
        wanted,
      );
      setLooseEnds(!laid.onEdges);
      // What was taken off in the meantime stays off.
      setLaid((now) => ({
        lines: [...now.lines, ...laid.lines.filter((l) => now.awaited.includes(l.measure))],
        awaited: stillAwaited(now),
      }));
    } catch (error) {
      setLaid((now) => ({ ...now, awaited: stillAwaited(now) }));
      throw error;
    }
  };
  const drag = (next: readonly MeasureLine[]) => {
    for (const line of next) if (!lines.includes(line)) seen(line.measure);
    setLaid((now) => ({ ...now, lines: next }));
  };
  return { lines, chosen, looked, looseEnds, chooseLines, drag, seen };
}
