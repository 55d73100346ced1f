import { ScrollView, View } from 'react-native';

import { ColumnOrder } from '@/parts/table/ColumnOrder';
import { Button } from '@/parts/ui/Button';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';

import { USUAL_COLUMNS, type StockColumns } from './stockColumns';

/** Which columns the table has; the first, which item it is, always stays. */
export function ColumnsCard({ columns, onDone }: { columns: StockColumns; onDone: () => void }) {
  return (
    <Card label="Columns">
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>{`${columns.shown.length} columns`}</Text>
        <Button variant="quiet" label="Done with columns" onPress={onDone}>
          Done
        </Button>
      </View>
      <ScrollView
        keyboardShouldPersistTaps="handled"
        style={{ maxHeight: 320 }}
        contentContainerStyle={{ gap: 8 }}
      >
        <ColumnOrder
          all={columns.all}
          chosen={columns.shown}
          usual={USUAL_COLUMNS.length}
          onKeep={columns.choose}
        />
      </ScrollView>
    </Card>
  );
}
