import type { Picture, Plan, Thing } from '@/contract/records';
import { planId } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { checkListing, type Finding } from '@/core/listing/check';
import { draftOf, draftPrint } from '@/core/listing/draft';
import { effectiveListing, floorHere, listingTakeHome, type Effective } from '@/core/listing/effective';
import type { KindTree } from '@/core/kinds/tree';
import { clipFor, picturesFor } from '@/core/picture/chosen';
import type { TakeHome } from '@/core/price/takeHome';

import { pictureKey, readBlob, useAttic, type AtticState } from './attic';
import { command, CourierTrouble, shelve, type CommandWithoutId } from './courierLink';
import { kindsNow } from './kinds';
import { learnFrom } from './mappings';
import { setupOf } from './setup';
import { pictureWorker } from './pictureWorker';
import { readShown } from './pictures';
import { editPlan } from './things';

/** One thing on one marketplace, examined: what would be sent and what stands against it. */
export interface Examined {
  sheet: RuleSheet;
  plan: Plan | undefined;
  effective: Effective;
  findings: Finding[];
  takeHome: TakeHome | null;
  media: Media;
}

/** The pictures that would go there, in that marketplace's order, and the clip. */
export interface Media {
  pictures: Picture[];
  clip: Picture | null;
}

/** What tells whether the same pictures would go again: which, in what order, and whether they still look the same. */
function mediaPrints({ pictures, clip }: Media): string[] {
  return [...pictures, ...(clip ? [clip] : [])].map((p) => `${p.id}:${p.bytes}`);
}

/** What of the attic bears on a listing besides the thing itself. */
export type Around = Pick<AtticState, 'plans' | 'pictures' | 'settings' | 'mappings' | 'terms'> & {
  tree: KindTree;
};

/** The check of a thing against one sheet. */
export function examine(
  thing: Thing,
  sheet: RuleSheet,
  around: Around = { ...useAttic.getState(), tree: kindsNow() },
): Examined {
  const { plans, pictures, settings, tree } = around;
  const plan = plans[planId(thing.id, sheet.marketplace)];
  const effective = effectiveListing(thing, plan, sheet, tree, setupOf(around, Date.now()));
  const own = (plan?.pictureIds ?? thing.pictureIds)
    .map((id) => pictures[id])
    .filter((p): p is Picture => p !== undefined);
  const media = {
    // A person's own order for this marketplace stands; otherwise it is made for how buyers there look.
    pictures: plan?.pictureIds ? own.slice(0, sheet.photos.max) : picturesFor(own, sheet.photos),
    clip: clipFor(own, sheet.clip),
  };
  const floor = floorHere(thing, tree, settings);
  return {
    sheet,
    plan,
    effective,
    findings: checkListing(thing, effective, sheet, own, tree, { ...settings.guards, floor }),
    takeHome: listingTakeHome(effective, sheet),
    media,
  };
}

export function hasBlockers(examined: Examined): boolean {
  return examined.findings.some((f) => f.level === 'blocker');
}

/** Whether what is shown there is not what would be sent now. */
export function changedSinceSent(thing: Thing, examined: Examined, sentPrint: string): boolean {
  if (hasBlockers(examined)) return false;
  const sent = examined.plan?.sentMedia ?? [];
  if (sent.length > 0 && JSON.stringify(sent) !== JSON.stringify(mediaPrints(examined.media))) return true;
  return draftPrint(draftOf(examined.effective, examined.sheet, [])) !== sentPrint;
}

/**
 * Sends a thing to a marketplace: makes its pictures in that marketplace's shape, brings them to the
 * courier, and gives the command. The courier goes on by itself from there.
 *
 * @throws CourierTrouble with words for a person
 */
export async function send(thing: Thing, sheet: RuleSheet): Promise<void> {
  const examined = examine(thing, sheet);
  const blocker = examined.findings.find((f) => f.level === 'blocker');
  if (blocker) throw new CourierTrouble(blocker.message);
  const { media } = examined;
  const hashes: string[] = [];
  // What a person puts up by hand, the courier needs no pictures of.
  if (!sheet.byHand)
    for (const rendition of await renditionsOf(examined)) hashes.push(await shelve('pictures', rendition));
  const film = !sheet.byHand && media.clip && (await readBlob(pictureKey(media.clip.id, 'clip')));
  const seconds = media.clip?.clip?.seconds;
  const clip = film && seconds ? { hash: await shelve('clips', film), seconds } : null;
  const draft = draftOf(examined.effective, sheet, hashes, clip);
  const startAt = examined.plan?.startAt ?? null;
  const notBefore = startAt !== null && startAt > Date.now() ? startAt : null;
  await commanded({ type: 'send', thing: thing.id, market: sheet.marketplace, draft, notBefore });
  editPlan(thing.id, sheet.marketplace, 'sent', { wanted: true, sentMedia: mediaPrints(media) });
  learnFrom(thing, examined);
}

/** A thing's pictures in the shape and order of a marketplace. @throws CourierTrouble when one is missing on this device */
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
export async function putUpByHand(thing: string, market: string, url: string): Promise<void> {
  await commanded({ type: 'handUp', thing, market, url });
}

/** The person took it down by hand. */
export async function tookDownByHand(thing: string, market: string): Promise<void> {
  await commanded({ type: 'handDown', thing, market });
}

/** @throws CourierTrouble with the courier's words where it does not take it */
async function commanded(wish: CommandWithoutId): Promise<void> {
  const answer = await command(wish);
  if (!answer.accepted) throw new CourierTrouble(answer.why ?? 'The courier did not take it.');
}

export async function withdraw(thing: string, market: string): Promise<void> {
  await commanded({ type: 'withdraw', thing, market });
}

export async function markSold(thing: string, market: string, amount: number): Promise<void> {
  await commanded({ type: 'sold', thing, market, amount });
}

export async function settleSecondSale(thing: string, order: string): Promise<void> {
  await commanded({ type: 'settle', thing, order });
}
