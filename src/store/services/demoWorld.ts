import pLimit from 'p-limit';
import { z } from 'zod';

import { COLLECTIONS, Settings, type CollectionName, type Item } from '@/contract/records';
import {
  change,
  isEmptyAttic,
  pictureKey,
  putBlob,
  saveNow,
  setSettings,
  storedBytes,
  useAttic,
  type Put,
} from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';

const World = z.object({
  settings: Settings,
  hauls: z.array(COLLECTIONS.hauls),
  owners: z.array(COLLECTIONS.owners),
  spots: z.array(COLLECTIONS.spots),
  items: z.array(COLLECTIONS.items),
  pictures: z.array(COLLECTIONS.pictures),
  plans: z.array(COLLECTIONS.plans),
  at: z.number().int().optional(),
  /** A year of sales lies before it. */
  past: z.boolean().optional(),
});
/** What was sold in the year before; its days are as they were. */
const Past = z.object({
  hauls: z.array(COLLECTIONS.hauls),
  owners: z.array(COLLECTIONS.owners),
  items: z.array(COLLECTIONS.items),
  pictures: z.array(COLLECTIONS.pictures),
  diary: z.array(COLLECTIONS.diary),
  orders: z.array(COLLECTIONS.orders),
  statements: z.array(COLLECTIONS.statements),
  payments: z.array(COLLECTIONS.payments),
  /** Which drawing a picture is of, by its id. */
  files: z.record(z.string(), z.string().regex(/^[a-zA-Z-]+$/u)),
});
type Past = z.infer<typeof Past>;
const PAST = ['hauls', 'owners', 'items', 'pictures', 'diary', 'orders', 'statements', 'payments'] as const;

const BROUGHT = ['hauls', 'owners', 'spots', 'items', 'pictures', 'plans'] as const;

/** Brings the demo world into an attic that is still empty. Its pictures come with their bytes. */
export async function bringDemoWorld(): Promise<void> {
  if (!isEmptyAttic()) {
    restLater(pastWorld);
    return;
  }
  const response = await fetch('/demo/world.json');
  if (!response.ok) return;
  const drawn = World.parse(await response.json());
  const later = drawn.at === undefined ? 0 : Date.now() - drawn.at;
  const world = { ...drawn, items: drawn.items.map((t) => moved(t, later)) };
  const past = drawn.past ? await pastWorld() : null;
  // What is shown first; the rest comes while it is looked at.
  await Promise.all(world.pictures.map(({ id }) => bringBytes(id, id, 'thumb')));
  setSettings(world.settings);
  const puts = [...(past ? putsOf(past, PAST) : []), ...putsOf(world, BROUGHT)];
  change('demo world', puts, { ownUndo: true });
  // That it was brought in would be all that their diaries say.
  if (past) change('demo world', putsOf(past, ['diary']), { ownUndo: true });
  // After all of it: what is older can be had again.
  setSettings({ givenAt: Date.now() });
  // Nobody waits for it to be stored: a browser that can't store must still show what there is.
  void saveNow();
  restLater(() => Promise.resolve(past));
}

function putsOf<C extends CollectionName>(from: Record<C, readonly { id: string }[]>, names: readonly C[]) {
  return names.flatMap((collection) =>
    // Each was read by the schema of its own collection.
    from[collection].map((record) => ({ collection, id: record.id, record }) as unknown as Put),
  );
}

function restLater(pastOf: () => Promise<Past | null>): void {
  void bringTheRest(pastOf).catch(unlessExpected('bringing the pictures of the demo'));
}

async function pastWorld(): Promise<Past | null> {
  const response = await fetch('/demo/past.json');
  return response.ok ? Past.parse(await response.json()) : null;
}

async function bringBytes(id: string, file: string, size: 'full' | 'thumb'): Promise<void> {
  const picture = await fetch(`/demo/pictures/${file}-${size}.jpg`);
  if (picture.ok) putBlob(pictureKey(id, size), await picture.blob());
}

/**
 * Brings what is missing of its pictures, a few at a time, so that a page which is used meanwhile is not held
 * up: also what a page that was left earlier had not brought yet.
 */
async function bringTheRest(pastOf: () => Promise<Past | null>): Promise<void> {
  const stored = new Set(await storedBytes());
  const ids = Object.values(useAttic.getState().pictures).flatMap((p) => (p.origin === 'demo' ? [p.id] : []));
  const missing = (['thumb', 'full'] as const).flatMap((size) =>
    ids.flatMap((id) => (stored.has(pictureKey(id, size)) ? [] : [{ id, size }])),
  );
  if (missing.length === 0) return;
  const files = missing.some(({ id }) => id.endsWith('-past')) ? (await pastOf())?.files : {};
  const limit = pLimit(4);
  await Promise.all(missing.map(({ id, size }) => limit(() => bringBytes(id, files?.[id] ?? id, size))));
  await saveNow();
}

/** Its days are told from the day it is opened, so that what is due in three days is due in three days. */
function moved(item: Item, later: number): Item {
  function on(at: number): number;
  function on(at: number | null): number | null;
  function on(at: number | null) {
    return at === null ? null : at + later;
  }
  return {
    ...item,
    createdAt: on(item.createdAt),
    updatedAt: on(item.updatedAt),
    markdown: item.markdown && { ...item.markdown, from: on(item.markdown.from) },
    holds: item.holds.map((h) => ({
      ...h,
      from: on(h.from),
      to: on(h.to),
      meet: h.meet && { ...h.meet, at: on(h.meet.at) },
    })),
  };
}
