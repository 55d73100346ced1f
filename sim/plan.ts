import type { Command } from '@/contract/courier';

import { SEVERAL } from './drafts';
import { BY_HAND } from './marketplace';
import type { Random } from './random';

/** From here on nothing goes wrong any more, milliseconds from the beginning. */
export const FAULTS_END = 240_000;
export const WORLD_END = 540_000;

/** Where items in choices go. */
const COUNTING = ['brackenmoor', 'threadwick', 'nearstile', 'lanternyard'];

/** What can happen in an evening. Times are milliseconds from its beginning. */
export interface Evening {
  readonly random: Random;
  /** The marketplaces. */
  readonly names: readonly string[];
  /** Of the item of which there are several, all are just alike. */
  readonly alike: boolean;
  at(at: number, run: () => void): void;
  /** A name for a command. */
  id(): string;
  send(item: string, market: string): void;
  withdraw(item: string, market: string): void;
  command(command: Command): void;
  undo(item: string): void;
  buy(item: string, market: string): void;
  workByHand(): void;
  review(): void;
  losePage(): void;
  loseLedger(): void;
  shut(market: string, time: number): void;
  lock(market: string, time: number): void;
  endSilently(market: string): void;
  setClock(by: number): void;
  fillDisk(time: number): void;
  crash(): void;
}

/**
 * Writes down all that is to happen in an evening. Faults end before it does, so that all can be put right.
 */
export function planEvening(world: Evening): void {
  const { random: r } = world;
  const items = Array.from({ length: r.between(1, 4) }, (_, i) => `t${i + 1}`);
  const forgets = r.chance(0.12);
  for (const item of items) planItem(world, item);
  planLosses(world, items, forgets);
  for (const item of items) planPromises(world, item);
  if (r.chance(0.4)) world.at(r.between(60_000, 300_000), () => world.undo(SEVERAL));
  if (!forgets && r.chance(0.5)) planSeveral(world);
  planFaults(world);
  for (let at = 9_000; at < WORLD_END; at += 17_000) world.at(at, () => world.workByHand());
  for (let at = 2_000; at < WORLD_END; at += 2_000) world.at(at, () => world.review());
}

/** Sent, sent again, withdrawn, bought. */
function planItem(world: Evening, item: string): void {
  const { random: r } = world;
  world.names.forEach((market, place) => {
    // The first three see most of it.
    if (place > 2 && r.chance(0.4)) return;
    const at = r.between(1_000, 60_000);
    if (r.chance(0.85)) world.at(at, () => world.send(item, market));
    // Pressed again, changed, withdrawn, put up again.
    if (r.chance(0.3)) world.at(at + r.between(10, 90_000), () => world.send(item, market));
    if (r.chance(0.2)) world.at(at + r.between(10, 90_000), () => world.withdraw(item, market));
    if (r.chance(0.15)) world.at(at + r.between(90_000, 150_000), () => world.send(item, market));
    // Buyers come and buy if it is up just then.
    const times = market === BY_HAND ? 0 : r.between(0, 2);
    for (let n = 0; n < times; n += 1) world.at(r.between(5_000, 220_000), () => world.buy(item, market));
    if (market === 'nearstile' && r.chance(0.3))
      world.at(r.between(20_000, 220_000), () =>
        world.command({ type: 'sold', id: world.id(), item, market, amount: 2000 }),
      );
  });
  // Two buyers within the same second.
  if (item !== 't1' || !r.chance(0.6)) return;
  const at = r.between(30_000, 200_000);
  for (const market of world.names)
    if (market !== BY_HAND) world.at(at + r.between(0, 900), () => world.buy(item, market));
}

/** What one side knew is lost: the ledger, or all that the page had still to say. */
function planLosses(world: Evening, items: readonly string[], forgets: boolean): void {
  const { random: r } = world;
  if (forgets) world.at(r.between(60_000, 200_000), () => world.loseLedger());
  if (r.chance(0.12))
    world.at(r.between(30_000, 200_000), () => {
      world.losePage();
      // The person sends items anew.
      for (const item of items) for (const market of world.names) if (r.chance(0.4)) world.send(item, market);
    });
}

/** Promised, and the promise comes to nothing; a sale comes to nothing. */
function planPromises(world: Evening, item: string): void {
  const { random: r } = world;
  if (r.chance(0.35)) {
    const at = r.between(20_000, 150_000);
    const market = r.pick(world.names) ?? BY_HAND;
    const elsewhere = r.chance(0.7) ? 'withdraw' : 'leave';
    world.at(at, () => world.command({ type: 'hold', id: world.id(), item, market, elsewhere }));
    if (r.chance(0.8))
      world.at(at + r.between(500, 60_000), () => world.command({ type: 'release', id: world.id(), item }));
  }
  if (r.chance(0.5)) world.at(r.between(60_000, 300_000), () => world.undo(item));
  if (r.chance(0.2)) world.at(r.between(60_000, 300_000), () => world.undo(item));
}

/** The item of which there are several. */
function planSeveral(world: Evening): void {
  const { random: r } = world;
  for (const market of COUNTING) {
    const at = r.between(1_000, 40_000);
    world.at(at, () => world.send(SEVERAL, market));
    if (r.chance(0.2)) world.at(at + r.between(10, 90_000), () => world.withdraw(SEVERAL, market));
    if (r.chance(0.2)) world.at(at + r.between(60_000, 150_000), () => world.send(SEVERAL, market));
    for (let n = r.between(0, 3); n > 0; n -= 1)
      world.at(r.between(20_000, 220_000), () => world.buy(SEVERAL, market));
    if (['nearstile', 'lanternyard'].includes(market) && world.alike && r.chance(0.4))
      world.at(r.between(20_000, 220_000), () =>
        world.command({ type: 'sold', id: world.id(), item: SEVERAL, market, amount: 2000 }),
      );
  }
}

/** Outages, keys that run out, listings that end without a word, a clock that jumps, a full disk, crashes. */
function planFaults(world: Evening): void {
  const { random: r } = world;
  for (const market of world.names) {
    if (r.chance(0.4))
      world.at(r.between(5_000, 180_000), () => world.shut(market, r.between(5_000, 60_000)));
    if (market === BY_HAND) continue;
    // A key runs out; the person fetches another a while later.
    if (r.chance(0.12))
      world.at(r.between(20_000, 150_000), () => world.lock(market, r.between(10_000, 80_000)));
    if (r.chance(0.25)) world.at(r.between(30_000, 220_000), () => world.endSilently(market));
  }
  if (r.chance(0.25))
    world.at(r.between(20_000, 200_000), () => world.setClock(r.between(-120_000, 120_000)));
  if (r.chance(0.15)) world.at(r.between(20_000, 180_000), () => world.fillDisk(r.between(2_000, 50_000)));
  const crashes = r.between(0, 3);
  for (let n = 0; n < crashes; n += 1) world.at(r.between(2_000, FAULTS_END - 10_000), () => world.crash());
}
