import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { useWide } from '@/theme/theme';

import { FigureTable, type FigureColumn } from './FigureTable';

/**
 * Figures as a drawing, with the table they are drawn from behind it: side by side where there is room, else
 * one or the other.
 */
export function Drawn<T>(props: {
  title: string;
  /** What is to be said beside it. */
  words?: string | null;
  file: string;
  columns: readonly FigureColumn<T>[];
  rows: readonly T[];
  keyOf: (row: T) => string;
  children: ReactNode;
}) {
  const { title, words, children, ...table } = props;
  const wide = useWide();
  const [asTable, setAsTable] = useState(false);
  const figures = <FigureTable {...table} label={title} />;
  return (
    <View role="group" aria-label={title} style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <Text variant="heading" style={{ flex: 1 }}>
          {title}
        </Text>
        <Button
          variant="quiet"
          label={asTable ? `Hide the table: ${title}` : `Show as a table: ${title}`}
          onPress={() => setAsTable(!asTable)}
        >
          {asTable ? (wide ? 'Hide the table' : 'Draw it') : 'As a table'}
        </Button>
      </View>
      {words ? <Text tone="soft">{words}</Text> : null}
      {wide ? children : asTable ? null : children}
      {asTable ? figures : null}
    </View>
  );
}
