import { useState } from 'react';
import { View } from 'react-native';

import { STOCKS } from '@/core/labels/layout';
import { Notice } from '@/parts/Notice';
import { Chip, ChipRow, Press } from '@/parts/Press';
import { saveFile } from '@/store/files';
import { labelsPdf, type Label } from '@/store/labels';

import { useDo } from '../shell/useDo';

/** Labels as a PDF for the sheets or roll at hand. */
export function LabelPress({
  labels,
  words,
  name,
}: {
  labels: readonly Label[];
  words: string;
  name: string;
}) {
  const [open, setOpen] = useState(false);
  const { busy, trouble, run } = useDo();
  if (!open)
    return (
      <Press icon="barcode" onPress={() => setOpen(true)}>
        {words}
      </Press>
    );
  return (
    <View role="group" aria-label="Labels on" style={{ gap: 8 }}>
      <ChipRow label="Sheets and rolls" radio={false}>
        {STOCKS.map((stock) => (
          <Chip
            key={stock.id}
            role="button"
            on={false}
            onPress={() =>
              run(async () => {
                const bytes = await labelsPdf(labels, stock);
                saveFile(new Blob([bytes], { type: 'application/pdf' }), `labels-${name}.pdf`);
                setOpen(false);
              })
            }
          >
            {busy ? 'Making…' : stock.name}
          </Chip>
        ))}
      </ChipRow>
      {trouble ? <Notice tone="trouble">{trouble}</Notice> : null}
    </View>
  );
}
