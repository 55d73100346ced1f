import type { OwnKind, OwnSpecific } from '@/contract/records';

import { BUILT_IN, KindTree, ROWS } from './tree';

/** The tree of kinds with the person's own kinds and questions laid over it. */
export function treeWith(kinds: readonly OwnKind[], specifics: readonly OwnSpecific[]): KindTree {
  if (kinds.length === 0 && specifics.length === 0) return BUILT_IN;
  return new KindTree(
    ROWS,
    kinds,
    specifics.map(({ kind, fact, label, type, unit, choices, closed, need, several, usual, ...own }) => ({
      kind,
      spec: {
        id: fact,
        label,
        type,
        need,
        several,
        private: own.private,
        ...(unit ? { unit } : {}),
        ...(choices.length > 0 ? { choices, closed } : {}),
        ...(usual ? { usual } : {}),
      },
    })),
  );
}
