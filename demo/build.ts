import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

import { Haul, Owner, Picture, Plan, planId, Settings, Spot, Item } from '@/contract/records';
import { codeFor } from '@/core/identity/code';
import { recordId } from '@/core/identity/recordId';
import { BUILT_IN } from '@/core/kinds/tree';
import { checkListing } from '@/core/listing/check';
import { effectiveListing } from '@/core/listing/effective';
import { plainSetup } from '@/core/listing/setup';

import { photographMeasured } from './draw/measured';
import { photograph, type Shot, type Subject } from './draw/studio';
import { EARLIER } from './earlier';
import { BAS, ODILE } from './goods/good';
import { GOODS } from './goods/goods';
import { DEMO_NOW, DEMO_ITEMS } from './items';
import { PAST_ITEMS, SHEETS } from './past/past';
import { drawingOf } from './past/records';
import type { Earlier, World } from './seedDemo';
import { STOCK } from './stock';

const CODES = Settings.parse({ id: 'settings' }).codePattern;
const SIZE = 1_200;
const THUMB = 400;
/** Of what was sold long ago. */
const PAST_SIZE = 600;
const DAY = 86_400_000;
const REMEMBERED = { nearstile: { place: 'Harbour steps' } };
/** What a shot of the demo shows, in the shot list's words. */
const SHOWS: Record<string, string> = { front: 'front', back: 'back', measured: 'measured' };

/** Hauls the demo begins with. */
const HAULS = [
  {
    key: 'quayside',
    name: 'Quayside car boot',
    source: 'Harbour car park, first Sunday',
    date: '2026-11-08',
    cost: 4_100,
    lines: [{ id: 'l1', what: 'items off the table', count: 11 }],
  },
  {
    key: 'fennick',
    name: 'Clearance at Fennick Hall',
    source: 'House clearance',
    date: '2026-11-19',
    cost: 18_000,
    lines: [
      { id: 'l1', what: 'crates from the hall', count: 14 },
      { id: 'l2', what: 'pictures and frames', count: 6 },
    ],
  },
  { key: 'aldous', name: 'Mrs Aldous’s wardrobe', source: 'Consignment', date: '2026-11-16', cost: null },
] as const;

/** Draws the demo world's pictures and writes its records, unless that was done from these sources before. */
export async function buildDemo(folder: string): Promise<void> {
  const stamp = join(folder, 'stamp.txt');
  const print = fingerprint();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return;
  console.log('Drawing the demo pictures …');
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, 'pictures'), { recursive: true });

  const ids = new Ids();
  const hauls = HAULS.map(({ key: _, ...haul }) =>
    Haul.parse({ ...haul, id: ids.next(), createdAt: Date.parse(haul.date) }),
  );
  const owner = aldous(ids);
  const stocked: Stocked = {
    items: [],
    pictures: [],
    plans: [],
    sent: [],
    bought: [],
    talks: [],
    promised: [],
  };
  for (const [i, made] of [...DEMO_ITEMS, ...STOCK].entries())
    await stock(stocked, { folder, ids, hauls, owner, made, i });
  const names = [...new Set(stocked.items.map((t) => t.spot).filter(Boolean))];
  const spots = names.map((name) =>
    Spot.parse({ id: ids.next(), name, capacity: name.startsWith('Box') ? 12 : null }),
  );
  const settings = Settings.parse({
    id: 'settings',
    author: 'Odile Tolliver',
    nextNumber: PAST_ITEMS + DEMO_ITEMS.length + STOCK.length + 1,
    nextRecord: ids.running,
    remembered: REMEMBERED,
    meetingPlaces: ['Harbour steps', 'Market hall, by the clock'],
    sender: 'Tolliver & Wren, Net Loft 3, 4410 Saltreach',
    haulId: hauls[1]?.id ?? null,
  });
  const { items, pictures, plans, sent, bought, talks, promised } = stocked;
  const world: World = {
    settings,
    hauls,
    owners: [owner],
    spots,
    items,
    pictures,
    plans,
    sent,
    bought,
    earlier: await earlierListings(folder),
    at: DEMO_NOW,
    past: true,
    talks,
    promised,
  };
  await pastDrawings(folder);
  writeFileSync(join(folder, 'world.json'), JSON.stringify(world));
  writeFileSync(stamp, print);
}

/** The same names for the same world. */
class Ids {
  running = 1;
  next(): string {
    return recordId(this.running++, 'demo');
  }
}

function aldous(ids: Ids): Owner {
  return Owner.parse({
    id: ids.next(),
    name: 'Mrs Aldous',
    days: 90,
    atEnd: 'back',
    of: 'afterFees',
    tiers: [
      { under: 10_000, shareBp: 6_000 },
      { under: null, shareBp: 7_000 },
    ],
  });
}

type Stocked = Required<
  Pick<World, 'items' | 'pictures' | 'plans' | 'sent' | 'bought' | 'talks' | 'promised'>
>;

interface Stocking {
  folder: string;
  ids: Ids;
  hauls: readonly Haul[];
  owner: Owner;
  made: (typeof DEMO_ITEMS)[number];
  i: number;
}

/** One item of the demo with its pictures and plans, and what becomes of it. */
async function stock(into: Stocked, stocking: Stocking): Promise<void> {
  const { ids, hauls, owner, made, i } = stocking;
  const itemId = ids.next();
  const at = DEMO_NOW - made.daysAgo * DAY + i * 60_000;
  const author = made.by ?? (i % 3 === 0 ? BAS : ODILE);
  const pictures = await picturesOf(stocking, { itemId, at, author });
  into.pictures.push(...pictures);
  const number = PAST_ITEMS + i + 1;
  const haul = hauls[HAULS.findIndex((h) => h.key === made.haul)];
  const item = Item.parse({
    id: itemId,
    code: codeFor(CODES, { number }),
    number,
    haulId: haul?.id ?? null,
    lineId: haul?.lines[0]?.id ?? null,
    ownerId: made.haul === 'aldous' ? owner.id : null,
    ...made.item,
    markdown: made.markedDown ? { steps: [{ day: 25, offBp: 1_500 }], from: at } : null,
    pictureIds: pictures.map((p) => p.id),
    author,
    createdAt: at,
    updatedAt: at,
  });
  into.items.push(item);
  if (made.sent) into.sent.push(itemId);
  if (made.boughtOn) into.bought.push(itemId);
  into.talks.push(...(made.talks ?? []).map((t) => ({ ...t, item: itemId })));
  if (made.promisedOn) into.promised.push({ item: itemId, market: made.promisedOn });
  for (const market of made.wanted) {
    // What is stock by a table goes where it can go as it is.
    if (made.by !== undefined && !passes(item, pictures, market)) continue;
    const own = made.own?.[market];
    into.plans.push(Plan.parse({ id: planId(itemId, market), itemId, market, wanted: true, ...own }));
  }
}

/** Whether nothing stands against its being listed there. */
function passes(item: Item, pictures: readonly Picture[], market: string): boolean {
  const sheet = SHEETS.find((s) => s.marketplace === market);
  if (!sheet) return false;
  const settings = Settings.parse({ id: 'settings', remembered: REMEMBERED });
  const effective = effectiveListing(item, undefined, sheet, BUILT_IN, {
    ...plainSetup(),
    settings,
    now: DEMO_NOW,
  });
  return checkListing(item, effective, sheet, pictures, BUILT_IN).every((f) => f.level !== 'blocker');
}

async function picturesOf(
  { folder, ids, made, i }: Stocking,
  { itemId, at, author }: { itemId: string; at: number; author: string },
): Promise<Picture[]> {
  const pictures: Picture[] = [];
  for (const [k, shot] of made.shots.entries()) {
    const id = ids.next();
    const side = made.side ?? SIZE;
    const canvas = taken(made.subject, shot, 1_000 + i * 20 + k, side);
    const bytes = await writePicture(folder, id, canvas);
    const flaw = shot.name === 'flaw' ? made.item.flaws?.[0]?.id : undefined;
    pictures.push(
      Picture.parse({
        id,
        itemId,
        origin: 'demo',
        author,
        takenAt: at,
        addedAt: at,
        width: side,
        height: side,
        bytes,
        shows: flaw ? `flaw:${flaw}` : (SHOWS[shot.name] ?? ''),
      }),
    );
  }
  return pictures;
}

/** What was listed by hand before there was an attic. */
async function earlierListings(folder: string): Promise<Earlier[]> {
  const earlier: Earlier[] = [];
  for (const [i, { subject, shots, listings }] of EARLIER.entries()) {
    const names: string[] = [];
    for (const [k, shot] of shots.entries()) {
      const name = `earlier-${i}-${k}.jpg`;
      const bytes = await taken(subject, shot, 9_000 + i * 20 + k, SIZE).encode('jpeg', 80);
      writeFileSync(join(folder, 'pictures', name), bytes);
      names.push(name);
    }
    earlier.push(...listings.map((l) => ({ ...l, pictures: names })));
  }
  return earlier;
}

/** What was sold in the year before: a picture of each good in each of its colours. */
async function pastDrawings(folder: string): Promise<void> {
  for (const [i, good] of GOODS.entries())
    for (const [k, dye] of good.dyes.entries()) {
      const [name = '', by = ''] = [good.makes[k % good.makes.length] ?? ''].flat();
      const canvas = photograph(good.draw(dye, name, by), { name: 'front' }, 20_000 + i * 20 + k, PAST_SIZE);
      await writePicture(folder, drawingOf({ good, dye }), canvas);
    }
}

async function writePicture(folder: string, name: string, canvas: Canvas): Promise<number> {
  const full = await canvas.encode('jpeg', 80);
  const small = createCanvas(THUMB, THUMB);
  small.getContext('2d').drawImage(canvas, 0, 0, THUMB, THUMB);
  writeFileSync(join(folder, 'pictures', `${name}-full.jpg`), full);
  writeFileSync(join(folder, 'pictures', `${name}-thumb.jpg`), await small.encode('jpeg', 82));
  return full.length;
}

function taken(subject: Subject, shot: Shot, seed: number, side: number): Canvas {
  if (shot.mmPerUnit === undefined) return photograph(subject, shot, seed, side);
  return photographMeasured({
    subject,
    floor: 'plaster',
    reference: 'a4',
    mmPerUnit: shot.mmPerUnit,
    at: [850, 110],
    turn: 5,
    tilt: 12,
    lean: 20,
    size: side,
    seed,
  }).picture;
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const file of [
    ...['demo', 'demo/draw', 'demo/goods', 'demo/past'].flatMap((folder) =>
      readdirSync(folder)
        .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
        .map((f) => `${folder}/${f}`),
    ),
  ].sort())
    hash.update(readFileSync(file));
  return hash.digest('hex');
}

if (process.argv[1]?.endsWith('build.ts')) void buildDemo(process.argv[2] ?? '.cache/demo');
