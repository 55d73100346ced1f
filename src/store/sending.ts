import type { Picture, Plan, Thing } from '@/contract/records';
import { planId } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';
import { checkListing, type Finding } from '@/core/listing/check';
import {
  draftOf,
  draftPrint,
  effectiveListing,
  inlandPostage,
  listingTakeHome,
  type Effective,
} from '@/core/listing/effective';
import type { KindTree } from '@/core/kinds/tree';
import { clipFor, picturesFor } from '@/core/picture/chosen';
import { PACKAGING } from '@/core/postage/rates';
import { floorOfThing } from '@/core/price/floor';
import type { TakeHome } from '@/core/price/takeHome';

import { pictureKey, readBlob, useAttic, type AtticState } from './attic';
import { command, CourierTrouble, shelve } from './courierLink';
import { kindsNow } from './kinds';
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
export type Around = Pick<AtticState, 'plans' | 'pictures' | 'settings'> & { tree: KindTree };

/** The check of a thing against one sheet. */
export function examine(
  thing: Thing,
  sheet: RuleSheet,
  { plans, pictures, settings, tree }: Around = { ...useAttic.getState(), tree: kindsNow() },
): Examined {
  const plan = plans[planId(thing.id, sheet.marketplace)];
  const posted = inlandPostage(thing, tree);
  const floor = floorOfThing(thing, settings.multiples, (posted.ok ? posted.price : 0) + PACKAGING);
  const day = { now: Date.now(), floor };
  const effective = effectiveListing(thing, plan, sheet, settings.remembered, tree, day);
  const own = thing.pictureIds.map((id) => pictures[id]).filter((p): p is Picture => p !== undefined);
  const media = { pictures: picturesFor(own, sheet.photos), clip: clipFor(own, sheet.clip) };
  return {
    sheet,
    plan,
    effective,
    findings: checkListing(thing, effective, sheet, own, tree, {
      ...settings.guards,
      floor,
    }),
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
  const { maxLongSide, maxBytes, shape } = sheet.photos;
  const hashes: string[] = [];
  for (const { id } of media.pictures) {
    const full = await readShown(id);
    if (!full) throw new CourierTrouble('A picture is missing on this device: remove it or add it again.');
    const rendition = await pictureWorker().rendition(full, { maxLongSide, maxBytes, shape });
    hashes.push(await shelve('pictures', rendition));
  }
  const film = media.clip && (await readBlob(pictureKey(media.clip.id, 'clip')));
  const seconds = media.clip?.clip?.seconds;
  const clip = film && seconds ? { hash: await shelve('clips', film), seconds } : null;
  const draft = draftOf(examined.effective, sheet, hashes, clip);
  const answer = await command({ type: 'send', thing: thing.id, market: sheet.marketplace, draft });
  if (!answer.accepted) throw new CourierTrouble(answer.why ?? 'The courier did not take it.');
  editPlan(thing.id, sheet.marketplace, 'sent', { wanted: true, sentMedia: mediaPrints(media) });
}

export async function withdraw(thing: string, market: string): Promise<void> {
  const answer = await command({ type: 'withdraw', thing, market });
  if (!answer.accepted) throw new CourierTrouble(answer.why ?? 'The courier did not take it.');
}

export async function markSold(thing: string, market: string, amount: number): Promise<void> {
  const answer = await command({ type: 'sold', thing, market, amount });
  if (!answer.accepted) throw new CourierTrouble(answer.why ?? 'The courier did not take it.');
}

export async function settleSecondSale(thing: string, order: string): Promise<void> {
  const answer = await command({ type: 'settle', thing, order });
  if (!answer.accepted) throw new CourierTrouble(answer.why ?? 'The courier did not take it.');
}
