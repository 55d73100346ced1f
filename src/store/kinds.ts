import type { OwnKind, OwnSpecific } from '@/contract/records';
import { BUILT_IN, KindTree, ROWS } from '@/core/kinds/tree';

import { useAttic } from './attic';

let last: { kinds: unknown; specifics: unknown; tree: KindTree } | null = null;

function treeOf(kinds: Record<string, OwnKind>, specifics: Record<string, OwnSpecific>): KindTree {
  if (last?.kinds === kinds && last.specifics === specifics) return last.tree;
  const nothing = Object.keys(kinds).length === 0 && Object.keys(specifics).length === 0;
  const tree = nothing
    ? BUILT_IN
    : new KindTree(
        ROWS,
        Object.values(kinds),
        Object.values(specifics).map(({ kind, fact, label, type, unit, choices, closed, need, several, usual, ...own }) => ({
          kind,
          spec: {
            id: fact, label, type, need, several, private: own.private,
            ...(unit ? { unit } : {}), ...(choices.length > 0 ? { choices, closed } : {}), ...(usual ? { usual } : {}),
          },
        })), // prettier-ignore
      );
  last = { kinds, specifics, tree };
  return tree;
}

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
