import { useState } from 'react';
import { View } from 'react-native';

import type { Batch } from '@/contract/records';
import { counted, plural } from '@/core/language/plural';
import { hasLiveCamera } from '@/parts/trade/camera';
import { ScanField } from '@/parts/trade/ScanField';
import { ToMany } from '@/parts/trade/ToMany';
import { Button, Chip, ChipRow } from '@/parts/ui/Button';
import { Field } from '@/parts/ui/Field';
import { LinkRow } from '@/parts/ui/LinkRow';
import { Notice } from '@/parts/ui/Notice';
import { Card, Page } from '@/parts/ui/Page';
import { Text } from '@/parts/ui/Text';
import { setSettings, useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { beginBatch, itemsOf, renameBatch, workInBatch } from '@/store/scanning/batches';
import { removeRows } from '@/store/scanning/rows';
import { lookUpRows, neverAnswered, scan, useScanning, waitingForSpot } from '@/store/scanning/scan';

import { BatchBegins } from './BatchBegins';
import { LastScan } from './LastScan';
import { ScanCamera } from './ScanCamera';
import { ScanRows } from './ScanRows';

/** How the field that scanners type into is called. */
const SCAN_LABEL = { code: 'Barcode', spot: 'Its spot' };

/** Codes one after the other: each is an item at once, with what all of the batch begin with. */
export function Scanning() {
  const batch = useAttic((s) => s.batches[s.settings.batchId ?? '']);
  const items = useAttic((s) => s.items);
  const rows = batch ? itemsOf(batch.id, items) : [];
  const [camera, setCamera] = useState(false);
  const sounds = useAttic((s) => s.settings.sounds);
  const asksSpot = batch !== undefined && waitingForSpot(batch, rows).length > 0;
  return (
    <Page title="Scanning" back="/intake" maxWidth={1240}>
      <Card label="Scan">
        {camera ? <ScanCamera onCode={scan} onClose={() => setCamera(false)} /> : null}
        <div data-scan="">
          <ScanField label={asksSpot ? SCAN_LABEL.spot : SCAN_LABEL.code} onText={scan} always />
        </div>
        <LastScan />
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {hasLiveCamera() && !camera ? (
            <Button icon="camera" onPress={() => setCamera(true)}>
              Scan with the camera
            </Button>
          ) : null}
          <ChipRow label="Sounds" radio={false}>
            <Chip role="checkbox" on={sounds} onPress={() => setSettings({ sounds: !sounds })}>
              Beep and buzz
            </Chip>
          </ChipRow>
        </View>
        {rows.length === 0 ? (
          <Text tone="soft">
            A hand scanner needs no tap: whatever it types on this page is taken, one code after the other.
            Each is in stock at once.
          </Text>
        ) : null}
      </Card>
      {batch ? <AtHand key={batch.id} batch={batch} /> : <Earlier />}
    </Page>
  );
}

function AtHand({ batch }: { batch: Batch }) {
  const items = useAttic((s) => s.items);
  const rows = itemsOf(batch.id, items);
  const ids = rows.map(({ id }) => id);
  return (
    <>
      <Card label="This batch">
        <Text variant="heading">{`${batch.name} · ${counted(rows.length, 'item')}`}</Text>
        <BatchBegins batch={batch} />
        <NotAnswered batch={batch} />
        <Held />
      </Card>
      {rows.length > 0 ? <ScanRows rows={rows} batch={batch} /> : null}
      <Card label="Done with it">
        <Field
          label="Name of the batch"
          value={batch.name}
          maxLength={80}
          onChange={(t) => renameBatch(batch, t)}
        />
        {rows.length > 0 ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <ToMany ids={ids} to="/says" icon="readText" main>
              What is still open
            </ToMany>
            <ToMany ids={ids} to="/write" icon="write">
              Write for all
            </ToMany>
            <ToMany ids={ids} to="/many" icon="retype">
              Fill in together
            </ToMany>
          </View>
        ) : null}
        <Button icon="check" onPress={() => workInBatch(null)}>
          This batch is done
        </Button>
        {rows.length > 0 ? <RemoveAll batch={batch} /> : null}
      </Card>
    </>
  );
}

/** Codes that nobody answered for: the product look-up could not be asked, or the page was left. */
function NotAnswered({ batch }: { batch: Batch }) {
  const items = useAttic((s) => s.items);
  const asking = useScanning((s) => s.asking);
  const troubles = useScanning((s) => s.troubles);
  const left = neverAnswered(batch, items).filter(({ id }) => !asking.includes(id));
  if (left.length === 0) return null;
  const why = left.flatMap(({ id }) => troubles[id] ?? [])[0];
  return (
    <Notice tone="caution">
      <Text>{`${counted(left.length, 'code')} not looked up yet. ${why ?? ''}`.trim()}</Text>
      <Button
        icon="search"
        onPress={() =>
          void lookUpRows(left.map(({ id }) => id)).catch(unlessExpected('looking up what was scanned'))
        }
      >
        Look them up now
      </Button>
    </Notice>
  );
}

/** Rows that were to go and could not. */
function Held() {
  const held = useScanning((s) => s.held);
  if (held === 0) return null;
  return (
    <Notice tone="caution">
      {plural(
        held,
        'A row is listed, or may be: it stays until it is withdrawn.',
        `${held} rows are listed, or may be: they stay until they are withdrawn.`,
      )}
    </Notice>
  );
}

/** All rows away, after asking. */
function RemoveAll({ batch }: { batch: Batch }) {
  const [asked, setAsked] = useState(false);
  const items = useAttic((s) => s.items);
  const rows = itemsOf(batch.id, items);
  if (!asked)
    return (
      <Button variant="quiet" icon="remove" onPress={() => setAsked(true)}>
        Remove all rows
      </Button>
    );
  return (
    <Notice tone="caution">
      <Text>{`Remove ${counted(rows.length, 'item')} from the attic, with all that was said of them?`}</Text>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button
          variant="trouble"
          onPress={() => {
            setAsked(false);
            removeRows(rows);
          }}
        >
          Remove them
        </Button>
        <Button onPress={() => setAsked(false)}>Leave them</Button>
      </View>
    </Notice>
  );
}

/** Batches of before, to go on with. */
function Earlier() {
  const batches = useAttic((s) => s.batches);
  const items = useAttic((s) => s.items);
  const all = Object.values(batches).sort((a, b) => b.startedAt - a.startedAt);
  return (
    <Card label="Batches">
      <Text tone="soft">The first scan begins a batch. It begins with what the last one began with.</Text>
      <Button icon="add" onPress={() => beginBatch()}>
        Begin a batch
      </Button>
      {all.slice(0, SHOWN).map((one) => (
        <LinkRow
          key={one.id}
          words={one.name}
          more={counted(itemsOf(one.id, items).length, 'item')}
          label={`Go on with ${one.name}`}
          onPress={() => workInBatch(one.id)}
        />
      ))}
    </Card>
  );
}

const SHOWN = 12;
