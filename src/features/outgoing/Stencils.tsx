import { useMemo } from 'react';
import { View } from 'react-native';

import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { OneOf } from '@/parts/ui/Choices';
import { useAttic } from '@/store/attic/attic';
import { layStencil } from '@/store/items/stencils';

/** Which stencil lies under all of them, marketplace by marketplace, where there is any. */
export function Stencils({ list, sheets }: { list: readonly Item[]; sheets: readonly RuleSheet[] }) {
  const stencils = useAttic((s) => s.stencils);
  const plans = useAttic((s) => s.plans);
  const ids = useMemo(() => list.map((t) => t.id), [list]);
  const all = Object.values(stencils);
  return (
    <>
      {sheets.map(({ marketplace: market, name }) => {
        const here = all.filter((s) => s.market === market);
        if (here.length === 0) return null;
        const laid = new Set(ids.map((id) => keyOf(plans[planId(id, market)]?.stencil)));
        const [only] = laid;
        return (
          <View key={market} role="group" aria-label={`Stencil on ${name}`}>
            <OneOf
              label={`Stencil on ${name}`}
              options={[
                [USUAL, 'The one for their kind'],
                ...here.map((s) => [s.id, s.name] as const),
                [NONE, 'None'],
              ]}
              value={laid.size === 1 ? (only ?? USUAL) : ''}
              onChoose={(id) => layStencil(ids, market, id === USUAL ? undefined : id === NONE ? null : id)}
            />
          </View>
        );
      })}
    </>
  );
}

const USUAL = 'usual';
const NONE = 'none';

/** Ids of records are never these two: they are longer. */
function keyOf(stencil: { id: string | null } | null | undefined): string {
  return stencil ? (stencil.id ?? NONE) : USUAL;
}
