import { useState } from 'react';
import { View } from 'react-native';

import { ColumnOrder } from '@/parts/table/ColumnOrder';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { chooseColumns, type ColumnName, type TableName } from '@/store/tables/tableOut';

interface ColumnChoiceProps {
  table: TableName;
  all: readonly ColumnName[];
  usual: readonly ColumnName[];
  chosen: readonly ColumnName[];
}

/** Which columns a table has, in which order. What a person chooses is remembered for that table. */
export function ColumnChoice({ table, all, usual, chosen }: ColumnChoiceProps) {
  const [open, setOpen] = useState(false);
  return (
    <Card label="Columns">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Text variant="heading">{`${chosen.length} columns`}</Text>
          {open ? null : (
            <Text variant="small" tone="soft" numberOfLines={2}>
              {chosen.map((c) => c.label).join(' · ')}
            </Text>
          )}
        </View>
        <Button variant="quiet" label="Choose the columns" onPress={() => setOpen(!open)}>
          {open ? 'Done' : 'Choose'}
        </Button>
      </View>
      {open ? (
        <ColumnOrder
          all={all}
          chosen={chosen}
          usual={usual.length}
          onKeep={(ids) => chooseColumns(table, ids)}
        />
      ) : null}
    </Card>
  );
}
