import { useState } from 'react';

import { counted } from '@/core/language/plural';
import { useAsyncAction } from '@/parts/trade/useAsyncAction';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { Card } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { useListBusy } from '@/store/research/barcodeLists';
import { lookTableUp, MOST_LOOKED_UP, useTableIn, useTableRecords } from '@/store/tables/tableIn';

/** What the product look-up knows of the table's barcodes, and whether a person has to say it is right. */
export function LookedUp() {
  const hasBarcodes = useTableIn((s) => s.fields.includes('fact:barcode') && (s.counts?.of.new ?? 0) > 0);
  const sure = useTableIn((s) => s.sure);
  const busy = useListBusy((s) => s.busy);
  const records = Object.values(useTableRecords());
  const { run, trouble } = useAsyncAction();
  const [over, setOver] = useState(0);
  if (!hasBarcodes) return null;
  const known = records.filter((r) => r.state === 'known').length;
  const why = records.find((r) => r.state === 'trouble')?.why;
  return (
    <Card label="Product look-up">
      {records.length > 0 ? (
        <Text variant="strong" figures role="status">
          {busy ? `${records.length} looked up …` : `${known} of ${records.length} known`}
        </Text>
      ) : null}
      {known > 0 ? (
        <ChipRow label="What it says">
          <Chip on={!sure} onPress={() => useTableIn.setState({ sure: false })}>
            To be confirmed one by one
          </Chip>
          <Chip on={sure} onPress={() => useTableIn.setState({ sure: true })}>
            All of it is right
          </Chip>
        </ChipRow>
      ) : null}
      <Button icon="search" disabled={busy} onPress={() => run(async () => setOver(await lookTableUp()))}>
        {records.length > 0 ? 'Look the rest up' : 'Look the barcodes up'}
      </Button>
      {over > 0 ? (
        <Notice tone="caution">
          {`${counted(over, 'barcode')} left for the next time: ${MOST_LOOKED_UP} at a time.`}
        </Notice>
      ) : null}
      {why || trouble ? <Notice tone="caution">{why ?? trouble}</Notice> : null}
    </Card>
  );
}
