import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { Picture, Plan, planId, Settings, Item, type Owner } from '@/contract/records';
import { codeFor } from '@/core/identity/code';
import { recordId } from '@/core/identity/recordId';

import { examinedPicture } from './pictures';
import { pastBefore } from '../demo/past/past';
import type { Earlier, World } from '../demo/seedDemo';

const AT = Date.parse('2026-11-20T09:00:00Z');
const MARKETS = ['brackenmoor', 'threadwick', 'nearstile'];

/** An item of a small world: what is known of it, and where it is wanted. */
export interface ReadyItem {
  part: Partial<Item>;
  markets: readonly string[];
  /** Listed there when the server begins, by the same way a page would. */
  sent?: boolean;
}

const JUMPER: Partial<Item> = {
  kind: 'jumper',
  description: 'Navy wool gansey, size M.',
  use: 'light',
  measurements: { chest: 540, length: 685 },
  cost: 600,
  price: 4_800,
  weightG: 820,
  spot: 'A3-12',
  facts: { brand: 'Kittiwake Mills', department: 'Men', size: 'M', colour: 'Navy', material: 'Wool' },
};

/**
 * A jumper with everything three marketplaces ask for; Oldhollow wants to know when it was made and a longer
 * text.
 */
export function jumper(
  title: string,
  markets: readonly string[] = MARKETS,
  part: Partial<Item> = {},
): ReadyItem {
  const old = markets.includes('oldhollow');
  const facts = { ...JUMPER.facts, ...(old ? { decade: '1970s' } : {}), ...part.facts };
  return { part: { ...JUMPER, title, ...part, facts }, markets };
}

/** Jumpers with everything three marketplaces ask for, wanted there, not sent yet. */
export function jumpersReady(
  titles: readonly string[],
  markets: readonly string[] = MARKETS,
): Promise<string> {
  return itemsReady(titles.map((title) => jumper(title, markets)));
}

/**
 * A small world for tests that begin where intake ends.
 *
 * @param owners consignors that items may belong to
 * @param earlier what somebody listed by hand before there was an attic, with the first two pictures
 * @returns the folder that the server is to be started with
 */
export async function itemsReady(
  items: readonly ReadyItem[],
  earlier: readonly Omit<Earlier, 'pictures'>[] = [],
  owners: readonly Owner[] = [],
): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'attic-world-'));
  mkdirSync(join(folder, 'pictures'));
  const world: World = {
    settings: Settings.parse({
      id: 'settings',
      nextNumber: items.length + 1,
      remembered: { nearstile: { place: 'Harbour steps' } },
    }),
    hauls: [],
    owners: [...owners],
    spots: [],
    items: [],
    pictures: [],
    plans: [],
    sent: [],
    bought: [],
    earlier: [],
  };
  const shots = [
    await examinedPicture('front.jpg', {}, 1, 800),
    await examinedPicture('back.jpg', { side: 'back' }, 2, 800),
    await examinedPicture('label.jpg', { zoom: 3, at: [500, 190] }, 3, 800),
    await examinedPicture('flaw.jpg', { zoom: 3.6, at: [216, 556] }, 4, 800),
  ];
  world.earlier = earlier.map((e) => ({ ...e, pictures: ['earlier-front.jpg', 'earlier-back.jpg'] }));
  for (const [i, name] of ['earlier-front.jpg', 'earlier-back.jpg'].entries())
    copyFileSync(shots[i]!.file, join(folder, 'pictures', name));
  let running = 1;
  for (const [i, { part, markets, sent }] of items.entries()) {
    const itemId = recordId(running++, 'test');
    if (sent) world.sent.push(itemId);
    const pictureIds: string[] = [];
    for (const { file, exam } of shots) {
      const id = recordId(running++, 'test');
      for (const size of ['full', 'thumb']) copyFileSync(file, join(folder, 'pictures', `${id}-${size}.jpg`));
      pictureIds.push(id);
      world.pictures.push(
        Picture.parse({
          id,
          itemId,
          origin: 'demo',
          author: 'Me',
          addedAt: AT,
          width: 800,
          height: 800,
          bytes: 100_000,
          exam,
        }),
      );
    }
    world.items.push(
      Item.parse({
        id: itemId,
        code: codeFor(world.settings.codePattern, { number: i + 1 }),
        number: i + 1,
        pictureIds,
        author: 'Me',
        createdAt: AT,
        updatedAt: AT,
        ...part,
      }),
    );
    for (const market of markets)
      world.plans.push(Plan.parse({ id: planId(itemId, market), itemId, market, wanted: true }));
  }
  world.settings.nextRecord = running;
  writeFileSync(join(folder, 'world.json'), JSON.stringify(world));
  return folder;
}

/**
 * Two jumpers that have been there for long, one of them up nowhere, and before them a year of sales.
 *
 * @returns the folder that the server is to be started with
 */
export async function worldWithPast(): Promise<string> {
  const old = { createdAt: Date.now() - 200 * 86_400_000 };
  const folder = await itemsReady([
    jumper('Grey gansey', [], { ...old, code: 'YA-901', number: 901 }),
    jumper('Red gansey', [], { ...old, code: 'YA-902', number: 902, price: null }),
  ]);
  const file = join(folder, 'world.json');
  // Written just now, by the same schemas.
  const world = JSON.parse(readFileSync(file, 'utf8')) as World;
  const [one] = world.items[0]?.pictureIds ?? [];
  for (const name of new Set(Object.values(pastBefore(Date.now(), world.settings.codePattern).records.files)))
    for (const size of ['full', 'thumb'])
      copyFileSync(
        join(folder, 'pictures', `${one}-${size}.jpg`),
        join(folder, 'pictures', `${name}-${size}.jpg`),
      );
  writeFileSync(file, JSON.stringify({ ...world, past: true }));
  return folder;
}
