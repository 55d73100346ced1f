import { useLayoutEffect, useState } from 'react';

import { GO_TO } from './goTo';

/**
 * Whether a part of a page is unfolded: as the person has it; before that, once there was a reason. Unfolded
 * once, it does not fold under the finger.
 *
 * @param name what it is gone to by
 * @param isSection it opens and folds with all other sections, too
 */
export function useUnfolded(
  name: string,
  hasReason: boolean,
  isSection = false,
): [boolean, (open: boolean) => void] {
  const [starting, setStarting] = useState(hasReason);
  if (hasReason && !starting) setStarting(true);
  const [chosen, setChosen] = useState<boolean | null>(null);
  // As soon as it is drawn, since it may be gone to right then.
  useLayoutEffect(() => {
    const unfold = (event: Event) => {
      // Sent by `goTo` and `foldAll` alone, with a name or whether all sections are to be open.
      const { detail } = event as CustomEvent<string | boolean>;
      if (detail === name) setChosen(true);
      if (isSection && typeof detail === 'boolean') setChosen(detail);
    };
    window.addEventListener(GO_TO, unfold);
    return () => window.removeEventListener(GO_TO, unfold);
  }, [name, isSection]);
  return [chosen ?? starting, setChosen];
}
