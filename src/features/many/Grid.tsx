import { useMemo } from 'react';
import { View } from 'react-native';

import type { Item } from '@/contract/records';
import type { Ways } from '@/core/stock/bulk';
import type { Question } from '@/core/stock/questions';
import { ItemCell } from '@/parts/table/ItemCell';
import { ItemTable } from '@/parts/table/ItemTable';
import { columnOf } from '@/parts/table/questionColumn';
import { Text } from '@/parts/ui/Text';

const FIRST = { label: 'Item', width: 190, Read: ItemCell };

/** Many items in a table of their own, one column a question. */
export function Grid(props: { list: readonly Item[]; questions: readonly Question[]; ways: Ways }) {
  const { list, questions, ways } = props;
  const columns = useMemo(() => questions.map(columnOf), [questions]);
  return (
    <View role="group" aria-label="Table of items" style={{ gap: 8 }}>
      <ItemTable
        label="Items to fill in"
        list={list}
        columns={columns}
        ways={ways}
        height={620}
        first={FIRST}
      />
      <Text variant="small" tone="soft">
        Arrow keys move, typing writes, Enter goes down. Cells can be copied from a spreadsheet and pasted
        here.
      </Text>
    </View>
  );
}
