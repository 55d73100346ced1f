import memoizeOne from 'memoize-one';

import type { OwnKind, OwnSpecific } from '@/contract/records';
import { treeWith } from '@/core/kinds/own';
import type { KindTree } from '@/core/kinds/tree';
import { useAttic } from '@/store/attic/attic';

const treeOf = memoizeOne((kinds: Record<string, OwnKind>, specifics: Record<string, OwnSpecific>) =>
  treeWith(Object.values(kinds), Object.values(specifics)),
);

/** The tree of kinds with the person's own, as it is now. */
export function kindsNow(): KindTree {
  const { kinds, specifics } = useAttic.getState();
  return treeOf(kinds, specifics);
}

export function useKinds(): KindTree {
  const kinds = useAttic((s) => s.kinds);
  const specifics = useAttic((s) => s.specifics);
  return treeOf(kinds, specifics);
}
