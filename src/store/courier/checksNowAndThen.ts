import { useEffect, useState } from 'react';
import { useThrottledCallback } from 'use-debounce';

import type { CellCheck } from '@/core/listing/examine';

import { useChecks } from './checking';

/** What follows from the checks that come in is worked out no more often than this; milliseconds. */
const EVERY = 400;

/**
 * The checks as they were a moment ago: they come in portions, and not every one is worth drawing for.
 *
 * @param asked nothing is followed otherwise
 */
export function useChecksNowAndThen(asked = true): Record<string, CellCheck[]> {
  const [shown, setShown] = useState(useChecks.getState);
  const show = useThrottledCallback(() => setShown(useChecks.getState()), EVERY, { leading: false });
  useEffect(() => (asked ? useChecks.subscribe(() => show()) : undefined), [asked, show]);
  return shown;
}
