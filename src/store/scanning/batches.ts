import { format } from 'date-fns';

import { Batch, type BatchDefaults, type Item } from '@/contract/records';
import { batchName } from '@/core/scanning/scan';
import { change, newId, setSettings, useAttic } from '@/store/attic/attic';

/** The batch at hand, if one was begun and is still there. */
export function batchAtHand(): Batch | undefined {
  const { settings, batches } = useAttic.getState();
  return settings.batchId === null ? undefined : batches[settings.batchId];
}

/** Begins a batch with what the one before began with, and works in it. */
export function beginBatch(): Batch {
  const { batches } = useAttic.getState();
  const now = Date.now();
  const before = Object.values(batches).reduce<Batch | undefined>(
    (last, one) => (!last || one.startedAt > last.startedAt ? one : last),
    undefined,
  );
  const record = Batch.parse({
    id: newId(),
    name: batchName(format(now, 'd MMMM yyyy'), Object.values(batches)),
    startedAt: now,
    defaults: before?.defaults ?? {},
  });
  change('new batch', [{ collection: 'batches', id: record.id, record }]);
  setSettings({ batchId: record.id });
  return record;
}

/** Goes on with a batch; null leaves the one at hand: the next scan begins another. */
export function workInBatch(id: string | null): void {
  setSettings({ batchId: id });
}

export function renameBatch(batch: Batch, name: string): void {
  const said = name.trim().slice(0, 80);
  if (said !== '') put(batch.id, 'batch named', { name: said });
}

/** What the batch’s items begin with from now on; those that are there stay as they are. */
export function setDefaults(id: string, part: Partial<BatchDefaults>): void {
  const batch = useAttic.getState().batches[id];
  if (batch) put(id, 'what items of the batch begin with', { defaults: { ...batch.defaults, ...part } });
}

function put(id: string, label: string, part: Partial<Batch>): void {
  const now = useAttic.getState().batches[id];
  if (now) change(label, [{ collection: 'batches', id, record: { ...now, ...part } }]);
}

/** A batch's items, the newest first. */
export function itemsOf(batchId: string, items: Readonly<Record<string, Item>>): Item[] {
  return Object.values(items)
    .filter((item) => item.batchId === batchId)
    .sort((a, b) => b.createdAt - a.createdAt || b.code.localeCompare(a.code, 'en', { numeric: true }));
}
