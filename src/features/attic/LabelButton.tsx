import { useState } from 'react';
import { View } from 'react-native';

import { STOCKS } from '@/core/labels/layout';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Chip, ChipRow, Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { saveFile } from '@/store/base/files';
import { labelsPdf, type Label } from '@/store/items/labels';

/** Labels as a PDF for the sheets or roll at hand. */
export function LabelButton({
  labels,
  words,
  name,
}: {
  labels: readonly Label[];
  words: string;
  name: string;
}) {
  const [open, setOpen] = useState(false);
  const { busy, trouble, run } = useAsyncAction();
  if (!open)
    return (
      <Button icon="barcode" onPress={() => setOpen(true)}>
        {words}
      </Button>
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
