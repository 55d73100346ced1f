import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { ListingDraft } from '@/contract/courier';
import type { Haul, Owner, Picture, Plan, Settings, Spot, Item } from '@/contract/records';
import { BUILT_IN } from '@/core/kinds/tree';
import { checkListing } from '@/core/listing/check';
import { draftOf } from '@/core/listing/draft';
import { effectiveListing } from '@/core/listing/effective';
import { plainSetup } from '@/core/listing/setup';
import { picturesFor } from '@/core/picture/chosen';

import type { BuyerSays } from './items';
import type { Courier } from '../server/courier/courier';
import type { PictureShelf } from '../server/courier/pictureShelf';

/** What `world.json` holds: the app reads the records, the server what is to happen with them. */
export interface World {
  settings: Settings;
  hauls: Haul[];
  owners: Owner[];
  spots: Spot[];
  items: Item[];
  pictures: Picture[];
  plans: Plan[];
  /** Items listed before the app is first opened. */
  sent: string[];
  /** Of these, the ones bought at once. */
  bought: string[];
  /** Listed at marketplaces by hand, before there was an attic. */
  earlier: Earlier[];
  /** When the world was drawn for: its days are moved to the day it is opened. */
  at?: number;
  /** A year of sales lies before it. */
  past?: boolean;
  /** What buyers write once it is live. */
  talks?: (BuyerSays & { item: string })[];
  /** Promised to somebody, and where. */
  promised?: { item: string; market: string }[];
}

/** A listing nobody here knows of yet. */
export interface Earlier {
  market: string;
  /** What the seller called it there. */
  ref: string;
  draft: Pick<ListingDraft, 'title' | 'description' | 'price' | 'postage' | 'category' | 'condition'> &
    Partial<ListingDraft>;
  /** Files in the world's `pictures`. */
  pictures: string[];
}

/**
 * Lists some of the demo world the first time it is opened, by the same way a page would: checked
 * against the rule sheets, pictures on the shelf, commands to the courier. Then one item is bought.
 */
export async function seedDemo(
  folder: string,
  courier: Courier,
  shelf: PictureShelf,
  address: string,
): Promise<void> {
  // Written by the demo's own build, of records that their schemas parsed.
  const world = JSON.parse(readFileSync(join(folder, 'world.json'), 'utf8')) as World;
  const known = new Set(courier.views().map((v) => v.view.id));
  if (world.items.some((t) => known.has(t.id))) return;
  const { sheets } = await courier.ruleSheets();
  for (const item of world.items) {
    if (!world.sent.includes(item.id)) continue;
    const pictures = item.pictureIds.flatMap((id) => world.pictures.filter((p) => p.id === id));
    const hashes = new Map<string, string>();
    for (const { id } of pictures) {
      const bytes = readFileSync(join(folder, 'pictures', `${id}-full.jpg`));
      const hash = createHash('sha256').update(bytes).digest('hex');
      await shelf.put(hash, bytes);
      hashes.set(id, hash);
    }
    for (const sheet of sheets) {
      const plan = world.plans.find((p) => p.itemId === item.id && p.market === sheet.marketplace);
      if (!plan) continue;
      const effective = effectiveListing(item, plan, sheet, BUILT_IN, {
        ...plainSetup(),
        settings: world.settings,
        now: world.at ?? 0,
      });
      const blocker = checkListing(item, effective, sheet, pictures, BUILT_IN).find(
        (f) => f.level === 'blocker',
      );
      if (blocker) throw new Error(`demo: ${item.title} on ${sheet.name}: ${blocker.code}`);
      const chosen = picturesFor(pictures, sheet.photos).map((p) => hashes.get(p.id) ?? '');
      const draft = draftOf(effective, sheet, chosen);
      const id = `demo-${item.id}-${sheet.marketplace}`;
      await courier.command({ type: 'send', id, item: item.id, market: sheet.marketplace, draft });
    }
  }
  for (const earlier of world.earlier) await listByHand(earlier, folder, courier, shelf);
  for (const id of world.bought) await buyWhenLive(courier, id, address);
  for (const says of world.talks ?? []) await writeWhenLive(courier, says, address);
  for (const { item, market } of world.promised ?? [])
    if (await whenLive(courier, item, market))
      await courier.command({ type: 'hold', id: `demo-hold-${item}`, item, market, elsewhere: 'withdraw' });
}

/** As somebody would have done at the marketplace itself: the courier is not told. */
async function listByHand(
  earlier: Earlier,
  folder: string,
  courier: Courier,
  shelf: PictureShelf,
): Promise<void> {
  const { market, ref, pictures } = earlier;
  const files = new Map(
    pictures.map((name) => {
      const bytes = readFileSync(join(folder, 'pictures', name));
      return [createHash('sha256').update(bytes).digest('hex'), bytes] as const;
    }),
  );
  for (const [hash, bytes] of files) await shelf.put(hash, bytes);
  const draft = ListingDraft.parse({
    currency: 'EUR',
    specifics: {},
    answers: {},
    ...earlier.draft,
    pictures: [...files.keys()],
  });
  await courier.adapter(market)?.publish({ ref, draft, unclear: false }, (hash) => shelf.get(hash));
}

/** The listing's page once it is live; null where it does not become so in half a minute. */
async function whenLive(courier: Courier, id: string, market: string): Promise<string | null> {
  for (let tries = 0; tries < 120; tries += 1) {
    const listings = courier.views().find((v) => v.view.id === id)?.view.listings ?? [];
    const there = listings.find((l) => l.market === market && l.state === 'live');
    if (there?.url) return there.url;
    await new Promise((done) => setTimeout(done, 250));
  }
  return null;
}

async function writeWhenLive(
  courier: Courier,
  says: BuyerSays & { item: string },
  address: string,
): Promise<void> {
  const url = await whenLive(courier, says.item, says.market);
  if (!url) return;
  const { who, words = '', euros = '' } = says;
  const form = new URLSearchParams({ who, words, euros });
  await fetch(`${address}/outside/${says.market}/talk-about/${url.split('/').at(-1)}`, {
    method: 'POST',
    body: form,
    redirect: 'manual',
  });
}

/** A buyer who waits until it is live everywhere, then presses the button on Brackenmoor's page. */
async function buyWhenLive(courier: Courier, id: string, address: string): Promise<void> {
  for (let tries = 0; tries < 120; tries += 1) {
    const listings = courier.views().find((v) => v.view.id === id)?.view.listings ?? [];
    const url = listings.find((l) => l.market === 'brackenmoor')?.url;
    if (url && listings.every((l) => l.state === 'live')) {
      await fetch(`${address}${url}/buy`, { method: 'POST', redirect: 'manual' });
      return;
    }
    await new Promise((done) => setTimeout(done, 250));
  }
}
