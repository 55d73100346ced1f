import { planId, type Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import type { CommandRefusal } from '@/contract/troubles';
import { isAsFound } from '@/core/bringIn/asFound';
import type { KindTree } from '@/core/kinds/tree';
import { draftOf } from '@/core/listing/draft';
import { examineListing, mediaHashes, type Examined } from '@/core/listing/examine';
import { pictureKey, readBlob, useAttic, type AtticState } from '@/store/attic/attic';
import { editPlan } from '@/store/items/items';
import { kindsNow } from '@/store/items/kinds';
import { learnFrom } from '@/store/items/mappings';
import { setupOf } from '@/store/items/setup';
import { readShown } from '@/store/pictures/pictures';
import { pictureWorker } from '@/store/pictures/pictureWorker';
import { findingWords } from '@/wording/check';
import { refusalWords } from '@/wording/courier';

import { command, CourierTrouble, shelve, useCourier, type CommandWithoutId } from './courierLink';
import { otherListingsNow, goingOut } from './otherListings';

/** What of the attic bears on a listing besides the item itself. */
export type Around = Pick<
  AtticState,
  'plans' | 'pictures' | 'settings' | 'mappings' | 'terms' | 'stencils' | 'patterns'
> & {
  tree: KindTree;
};

/** The check of an item against one sheet. */
export function examine(
  item: Item,
  sheet: RuleSheet,
  around: Around = { ...useAttic.getState(), tree: kindsNow() },
): Examined {
  const { plans, pictures, tree } = around;
  return examineListing(
    item,
    plans[planId(item.id, sheet.marketplace)],
    sheet,
    (id) => pictures[id],
    tree,
    setupOf(around, Date.now()),
    otherListingsNow(),
  );
}

/**
 * Sends an item to a marketplace: makes its pictures in that marketplace's shape, brings them to the
 * courier, and gives the command. The courier goes on by itself from there.
 *
 * @param seen the person saw, value by value, what changes there
 * @throws CourierTrouble with words for a person
 */
export async function send(item: Item, sheet: RuleSheet, seen = false): Promise<void> {
  const examined = examine(item, sheet);
  if (!seen && isUnsentThere(examined))
    throw new CourierTrouble(
      `It was brought in from ${sheet.name} and never sent from here: look at what would change there first.`,
      null,
      'markets',
    );
  const blocker = examined.findings.find((f) => f.level === 'blocker');
  if (blocker) throw new CourierTrouble(findingWords(blocker), null, blocker.field);
  const { title, price } = examined.effective;
  // Said before it is done: whatever becomes of this page, it is known that it may be there.
  if (!examined.plan?.wanted) editPlan(item.id, sheet.marketplace, 'to be listed', { wanted: true });
  const ended = goingOut({ item: item.id, market: sheet.marketplace, title, price: price ?? 0 });
  try {
    await give(item, examined);
    ended(true);
  } catch (error) {
    ended(false);
    throw error;
  }
  const sentMedia = mediaHashes(examined.media);
  editPlan(item.id, sheet.marketplace, 'sent', { wanted: true, sentMedia, adoptedHash: null });
  learnFrom(item, examined);
}

/** Pictures to the shelf, then the command. */
async function give(item: Item, examined: Examined): Promise<void> {
  const { sheet, media } = examined;
  const hashes: string[] = [];
  // What a person puts up by hand, the courier needs no pictures of.
  if (!sheet.byHand)
    for (const rendition of await renditionsOf(examined)) hashes.push(await shelve('pictures', rendition));
  const film = !sheet.byHand && media.clip && (await readBlob(pictureKey(media.clip.id, 'clip')));
  const seconds = media.clip?.clip?.seconds;
  const clip = film && seconds ? { hash: await shelve('clips', film), seconds } : null;
  const draft = draftOf(examined.effective, sheet, hashes, clip);
  const startAt = examined.laid.plan?.startAt ?? null;
  const notBefore = startAt !== null && startAt > Date.now() ? startAt : null;
  await commanded({ type: 'send', item: item.id, market: sheet.marketplace, draft, notBefore });
}

/** Whether it is up there as it was found: nothing of ours has ever replaced what it says. */
function isUnsentThere({ plan, sheet }: Examined): boolean {
  if (!plan || !isAsFound(plan)) return false;
  const listing = useCourier
    .getState()
    .items[plan.itemId]?.listings.find((l) => l.market === sheet.marketplace);
  return listing?.want === 'live' && (listing.state === 'live' || listing.state === 'inReview');
}

/**
 * An item's pictures in the shape and order of a marketplace.
 *
 * @throws CourierTrouble when one is missing on this device
 */
export async function renditionsOf({ sheet, media }: Examined): Promise<Blob[]> {
  const { maxLongSide, maxBytes, shape } = sheet.photos;
  const made: Blob[] = [];
  for (const { id } of media.pictures) {
    const full = await readShown(id);
    if (!full) throw new CourierTrouble('A picture is missing on this device: remove it or add it again.');
    made.push(await pictureWorker().rendition(full, { maxLongSide, maxBytes, shape }));
  }
  return made;
}

/** The person put it up by hand, there. */
export async function putUpByHand(item: string, market: string, url: string): Promise<void> {
  await commanded({ type: 'handUp', item, market, url });
}

/** The person took it down by hand. */
export async function tookDownByHand(item: string, market: string): Promise<void> {
  await commanded({ type: 'handDown', item, market });
}

/**
 * Gives the courier a command.
 *
 * @param allRight refusals that mean it is so already
 * @returns the command's id
 * @throws CourierTrouble where it does not take it
 */
export async function commanded(
  wish: CommandWithoutId,
  allRight: readonly CommandRefusal[] = [],
): Promise<string> {
  const answer = await command(wish);
  const isSo = answer.refusal !== undefined && allRight.includes(answer.refusal);
  if (!answer.accepted && !isSo) throw new CourierTrouble(refusalWords(answer));
  return answer.id;
}

/** Takes it down there; where it is down or on its way down already, nothing is left to do. */
export async function withdraw(item: string, market: string): Promise<void> {
  await commanded({ type: 'withdraw', item, market }, ['notListed', 'beingWithdrawn']);
}

/** @param order the marketplace's own number of the sale, where it has one */
export async function markSold(item: string, market: string, amount: number, order?: string): Promise<void> {
  await commanded({ type: 'sold', item, market, amount, ...(order ? { order } : {}) });
}

export async function settleSecondSale(item: string, order: string): Promise<void> {
  await commanded({ type: 'settle', item, order });
}
