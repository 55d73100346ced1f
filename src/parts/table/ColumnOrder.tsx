import { useState } from 'react';
import { View } from 'react-native';

import { movedInOrder } from '@/core/kinds/form';
import { Button, Chip, ChipRow, SignButton } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { Text } from '@/parts/ui/Text';

export interface NamedColumn {
  id: string;
  label: string;
}

/** How many columns are offered before a person looks for one. */
const OFFERED = 24;

/** Which columns a table has, in which order: moved, left out, added. */
export function ColumnOrder(props: {
  all: readonly NamedColumn[];
  chosen: readonly NamedColumn[];
  /** How many there usually are. */
  usual: number;
  /** Null: the usual ones. */
  onKeep: (ids: readonly string[] | null) => void;
}) {
  const { all, chosen, usual, onKeep } = props;
  const ids = chosen.map((c) => c.id);
  return (
    <>
      {chosen.map((c, i) => (
        <View key={c.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 4 }}>
          <Text style={{ flex: 1 }}>{c.label}</Text>
          <SignButton
            icon="up"
            label={`Move ${c.label} up`}
            disabled={i === 0}
            onPress={() => onKeep(movedInOrder(ids, c.id, -1))}
          />
          <SignButton
            icon="down"
            label={`Move ${c.label} down`}
            disabled={i === chosen.length - 1}
            onPress={() => onKeep(movedInOrder(ids, c.id, 1))}
          />
          <SignButton
            icon="close"
            label={`Leave out ${c.label}`}
            disabled={chosen.length === 1}
            onPress={() => onKeep(ids.filter((id) => id !== c.id))}
          />
        </View>
      ))}
      <MoreColumns all={all} ids={ids} onAdd={(id) => onKeep([...ids, id])} />
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button variant="quiet" onPress={() => onKeep(all.map((c) => c.id))}>
          {`All ${all.length} columns`}
        </Button>
        <Button variant="quiet" icon="undo" onPress={() => onKeep(null)}>
          {`The usual ${usual} again`}
        </Button>
      </View>
    </>
  );
}

/** Columns that are not among those chosen, found by their names. */
function MoreColumns(props: {
  all: readonly NamedColumn[];
  ids: readonly string[];
  onAdd: (id: string) => void;
}) {
  const { all, ids, onAdd } = props;
  const [words, setWords] = useState('');
  const others = all.filter((c) => !ids.includes(c.id));
  const wanted = words.trim().toLocaleLowerCase('en');
  const found = others.filter((c) => c.label.toLocaleLowerCase('en').includes(wanted));
  if (others.length === 0) return null;
  return (
    <>
      {others.length > OFFERED ? (
        <Field label="Find a column" value={words} pause={0} maxLength={60} onChange={setWords} />
      ) : null}
      <ChipRow label="More columns" radio={false}>
        {found.slice(0, OFFERED).map((c) => (
          <Chip key={c.id} role="button" on={false} label={`Add ${c.label}`} onPress={() => onAdd(c.id)}>
            {c.label}
          </Chip>
        ))}
      </ChipRow>
      {found.length > OFFERED ? (
        <Text variant="small" tone="soft">{`and ${found.length - OFFERED} more`}</Text>
      ) : null}
    </>
  );
}
