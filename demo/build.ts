import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

import { Haul, Owner, Picture, Plan, planId, Settings, Spot, Item } from '@/contract/records';
import { codeFor } from '@/core/identity/code';
import { recordId } from '@/core/identity/recordId';

import { photographMeasured } from './draw/measured';
import { photograph, type Shot, type Subject } from './draw/studio';
import { EARLIER } from './earlier';
import { DEMO_NOW, DEMO_ITEMS } from './items';
import type { Earlier, World } from './seedDemo';

const CODES = Settings.parse({ id: 'settings' }).codePattern;
const SIZE = 1_200;
const THUMB = 400;
const DAY = 86_400_000;
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
  for (const [i, made] of DEMO_ITEMS.entries()) await stock(stocked, { folder, ids, hauls, owner, made, i });
  const names = [...new Set(stocked.items.map((t) => t.spot).filter(Boolean))];
  const spots = names.map((name) =>
    Spot.parse({ id: ids.next(), name, capacity: name.startsWith('Box') ? 12 : null }),
  );
  const settings = Settings.parse({
    id: 'settings',
    author: 'Odile Tolliver',
    nextNumber: DEMO_ITEMS.length + 1,
    nextRecord: ids.running,
    remembered: { nearstile: { place: 'Harbour steps' } },
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
    talks,
    promised,
  };
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
  const author = i % 3 === 0 ? 'Bas Wren' : 'Odile Tolliver';
  const pictures = await picturesOf(stocking, { itemId, at, author });
  into.pictures.push(...pictures);
  const haul = hauls[HAULS.findIndex((h) => h.key === made.haul)];
  into.items.push(
    Item.parse({
      id: itemId,
      code: codeFor(CODES, { number: i + 1 }),
      number: i + 1,
      haulId: haul?.id ?? null,
      lineId: haul?.lines[0]?.id ?? null,
      ownerId: made.haul === 'aldous' ? owner.id : null,
      ...made.item,
      pictureIds: pictures.map((p) => p.id),
      author,
      createdAt: at,
      updatedAt: at,
    }),
  );
  if (made.sent) into.sent.push(itemId);
  if (made.boughtOn) into.bought.push(itemId);
  into.talks.push(...(made.talks ?? []).map((t) => ({ ...t, item: itemId })));
  if (made.promisedOn) into.promised.push({ item: itemId, market: made.promisedOn });
  for (const market of made.wanted) {
    const own = made.own?.[market];
    into.plans.push(Plan.parse({ id: planId(itemId, market), itemId, market, wanted: true, ...own }));
  }
}

async function picturesOf(
  { folder, ids, made, i }: Stocking,
  { itemId, at, author }: { itemId: string; at: number; author: string },
): Promise<Picture[]> {
  const pictures: Picture[] = [];
  for (const [k, shot] of made.shots.entries()) {
    const id = ids.next();
    const canvas = taken(made.subject, shot, 1_000 + i * 20 + k);
    const full = await canvas.encode('jpeg', 80);
    const small = createCanvas(THUMB, THUMB);
    small.getContext('2d').drawImage(canvas, 0, 0, THUMB, THUMB);
    writeFileSync(join(folder, 'pictures', `${id}-full.jpg`), full);
    writeFileSync(join(folder, 'pictures', `${id}-thumb.jpg`), await small.encode('jpeg', 82));
    const flaw = shot.name === 'flaw' ? made.item.flaws?.[0]?.id : undefined;
    pictures.push(
      Picture.parse({
        id,
        itemId,
        origin: 'demo',
        author,
        takenAt: at,
        addedAt: at,
        width: SIZE,
        height: SIZE,
        bytes: full.length,
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
      const bytes = await taken(subject, shot, 9_000 + i * 20 + k).encode('jpeg', 80);
      writeFileSync(join(folder, 'pictures', name), bytes);
      names.push(name);
    }
    earlier.push(...listings.map((l) => ({ ...l, pictures: names })));
  }
  return earlier;
}

function taken(subject: Subject, shot: Shot, seed: number): Canvas {
  if (shot.mmPerUnit === undefined) return photograph(subject, shot, seed, SIZE);
  return photographMeasured({
    subject,
    floor: 'plaster',
    reference: 'a4',
    mmPerUnit: shot.mmPerUnit,
    at: [850, 110],
    turn: 5,
    tilt: 12,
    lean: 20,
    size: SIZE,
    seed,
  }).picture;
}

function fingerprint(): string {
  const hash = createHash('sha256');
  for (const file of [
    'demo/build.ts',
    'demo/earlier.ts',
    'demo/items.ts',
    ...readdirSync('demo/draw').map((f) => `demo/draw/${f}`),
  ].sort())
    hash.update(readFileSync(file));
  return hash.digest('hex');
}

if (process.argv[1]?.endsWith('build.ts')) void buildDemo(process.argv[2] ?? '.cache/demo');
