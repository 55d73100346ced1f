import { copyFileSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { Picture, Plan, planId, Settings, Thing } from '@/contract/records';
import { codeFor } from '@/core/identity/code';
import { recordId } from '@/core/identity/recordId';

import type { World } from '../demo/furnish';
import { garmentPicture } from './pictures';

const AT = Date.parse('2026-11-20T09:00:00Z');
const MARKETS = ['brackenmoor', 'threadwick', 'nearstile'];

/** A thing of a small world: what is known of it, and where it is wanted. */
export interface ReadyThing {
  part: Partial<Thing>;
  markets: readonly string[];
}

const JUMPER: Partial<Thing> = {
  kind: 'jumper', description: 'Navy wool gansey, size M.', use: 'light', measurements: { chest: 540, length: 685 }, cost: 600, price: 4_800,
  weightG: 820, spot: 'A3-12', facts: { brand: 'Kittiwake Mills', department: 'Men', size: 'M', colour: 'Navy', material: 'Wool' },
}; // prettier-ignore

/** A jumper with everything three marketplaces ask for; Oldhollow wants to know when it was made and a longer text. */
export function jumper(title: string, markets: readonly string[] = MARKETS, part: Partial<Thing> = {}): ReadyThing {
  const old = markets.includes('oldhollow');
  const facts = { ...JUMPER.facts, ...(old ? { decade: '1970s' } : {}), ...part.facts };
  return { part: { ...JUMPER, title, ...part, facts }, markets };
} // prettier-ignore

/** Jumpers with everything three marketplaces ask for, wanted there, not sent yet. */
export function jumpersReady(titles: readonly string[], markets: readonly string[] = MARKETS): Promise<string> {
  return thingsReady(titles.map((title) => jumper(title, markets)));
} // prettier-ignore

/**
 * A small world for tests that begin where intake ends.
 *
 * @returns the folder that the server is to be started with
 */
export async function thingsReady(things: readonly ReadyThing[]): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'attic-world-'));
  mkdirSync(join(folder, 'pictures'));
  const world: World = {
    settings: Settings.parse({ id: 'settings', nextNumber: things.length + 1, remembered: { nearstile: { place: 'Harbour steps' } } }),
    hauls: [], owners: [], spots: [], things: [], pictures: [], plans: [], sent: [], bought: [],
  }; // prettier-ignore
  const shots = [
    await garmentPicture('front.jpg', {}, 1, 800),
    await garmentPicture('back.jpg', { side: 'back' }, 2, 800),
    await garmentPicture('label.jpg', { zoom: 3, at: [500, 190] }, 3, 800),
    await garmentPicture('flaw.jpg', { zoom: 3.6, at: [216, 556] }, 4, 800),
  ];
  let running = 1;
  for (const [i, { part, markets }] of things.entries()) {
    const thingId = recordId(running++, 'test');
    const pictureIds: string[] = [];
    for (const file of shots) {
      const id = recordId(running++, 'test');
      for (const size of ['full', 'thumb']) copyFileSync(file, join(folder, 'pictures', `${id}-${size}.jpg`));
      pictureIds.push(id);
      world.pictures.push(
        Picture.parse({ id, thingId, origin: 'demo', author: 'Me', addedAt: AT, width: 800, height: 800, bytes: 100_000 }),
      ); // prettier-ignore
    }
    world.things.push(
      Thing.parse({
        id: thingId, code: codeFor(world.settings.codePattern, { number: i + 1 }), number: i + 1, pictureIds, author: 'Me', createdAt: AT, updatedAt: AT,
        ...part,
      }),
    ); // prettier-ignore
    for (const market of markets)
      world.plans.push(Plan.parse({ id: planId(thingId, market), thingId, market, wanted: true }));
  }
  world.settings.nextRecord = running;
  writeFileSync(join(folder, 'world.json'), JSON.stringify(world));
  return folder;
}
