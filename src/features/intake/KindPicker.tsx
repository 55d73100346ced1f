import { useState } from 'react';

import type { Thing } from '@/contract/records';
import { kindById, KINDS } from '@/core/kinds/kinds';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { useAttic } from '@/store/attic';
import { editThing } from '@/store/things';

const FEW = 4;

/** What kind of thing it is, in a tap: the kinds lately worked on first. The shot list depends on it. */
export function KindPicker({ thing }: { thing: Thing }) {
  const [all, setAll] = useState(false);
  const things = useAttic((s) => s.things);
  const kind = kindById(thing.kind);
  if (kind && !all)
    return (
      <Press
        kind="quiet"
        label={`Kind: ${kind.name}. Change`}
        onPress={() => setAll(true)}
        style={{ alignSelf: 'flex-start' }}
      >
        {kind.name}
      </Press>
    );
  const lately = [
    ...new Set(
      Object.values(things)
        .filter((t) => t.kind !== '')
        .sort((a, b) => b.updatedAt - a.updatedAt)
        .map((t) => t.kind),
    ),
  ].slice(0, FEW);
  const offered = all
    ? KINDS
    : KINDS.filter((k) => (lately.length > 0 ? lately : KINDS.map((x) => x.id).slice(0, FEW)).includes(k.id));
  return (
    <ChipRow label="Kind of thing">
      {offered.map((k) => (
        <Chip
          key={k.id}
          on={k.id === thing.kind}
          onPress={() => {
            editThing(thing.id, 'kind', { kind: k.id });
            setAll(false);
          }}
        >
          {k.name}
        </Chip>
      ))}
      {all ? null : (
        <Chip role="button" on={false} onPress={() => setAll(true)}>
          Other kinds
        </Chip>
      )}
    </ChipRow>
  );
}
