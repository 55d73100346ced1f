import type { Picture, Plan, Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import { checkListing } from './check';
import { draftHash, looseDraft } from './draft';
import { effectiveListing, floorHere, listingTakeHome, type Effective } from './effective';
import type { Finding } from './findings';
import { NO_OTHER_LISTINGS, placeOf, type OtherListings } from './otherListings';
import type { Setup } from './setup';
import type { KindTree } from '../kinds/tree';
import { clipFor, picturesFor } from '../picture/chosen';
import type { TakeHome } from '../price/takeHome';
import { inOrder, laidUnder, type Laid } from '../stencils/stencils';
import { allPatterns, describe } from '../words/descriptionFor';

/** The pictures that would go there, in that marketplace's order, and the clip. */
export interface Media {
  pictures: Picture[];
  clip: Picture | null;
}

/** One item on one marketplace, examined: what would be sent and what stands against it. */
export interface Examined {
  sheet: RuleSheet;
  plan: Plan | undefined;
  /** The plan with its stencil laid under it. */
  laid: Laid;
  effective: Effective;
  findings: Finding[];
  takeHome: TakeHome | null;
  media: Media;
}

/**
 * The check of an item against one sheet, with all that follows from it.
 *
 * @param beside what else of ours is listed
 * @param pictureOf the record of a picture; undefined where it is missing
 */
export function examineListing(
  item: Item,
  plan: Plan | undefined,
  sheet: RuleSheet,
  pictureOf: (id: string) => Picture | undefined,
  kinds: KindTree,
  setup: Setup,
  beside: OtherListings = NO_OTHER_LISTINGS,
): Examined {
  const place = placeOf(beside, item.id, sheet.marketplace, setup.now);
  const laid = laidOn(item, plan, sheet, kinds, setup);
  const effective = effectiveListing(item, laid.plan, sheet, kinds, setup, place);
  const given = (plan?.pictureIds ?? item.pictureIds)
    .map(pictureOf)
    .filter((p): p is Picture => p !== undefined);
  const own = laid.by.has('pictures') ? inOrder(given, laid.stencil?.pictures ?? []) : given;
  const media = {
    // A person's own order for this marketplace stands; otherwise it is made for how buyers there look.
    pictures: plan?.pictureIds ? own.slice(0, sheet.photos.max) : picturesFor(own, sheet.photos),
    clip: clipFor(own, sheet.clip),
  };
  effective.choices = withPictures(effective.choices, item, media.pictures);
  const floor = floorHere(item, kinds, setup.settings);
  return {
    sheet,
    plan,
    laid,
    effective,
    findings: checkListing(item, effective, sheet, own, kinds, {
      ...setup.settings.guards,
      floor,
      beside,
      currency: setup.settings.currency,
    }),
    takeHome: listingTakeHome(effective, sheet),
    media,
  };
}

/** Pieces with which of the listing's pictures show them; one without pictures of its own is shown by all. */
function withPictures(
  choices: Effective['choices'],
  item: Item,
  pictures: readonly Picture[],
): Effective['choices'] {
  if (!choices) return null;
  const own = new Map(item.choices?.pieces.map((p) => [p.code, p.pictureIds]));
  return {
    ...choices,
    pieces: choices.pieces.map((piece) => {
      const ids = own.get(piece.code) ?? [];
      const places = pictures.flatMap((p, i) => (ids.includes(p.id) ? [i] : []));
      return places.length > 0 ? { ...piece, pictures: places } : piece;
    }),
  };
}

/** A listing's plan with what was set up once laid under it. */
function laidOn(
  item: Item,
  plan: Plan | undefined,
  { marketplace: market }: Pick<RuleSheet, 'marketplace'>,
  kinds: KindTree,
  { settings, stencils, patterns, now }: Setup,
): Laid {
  const describedBy = (id: string) => {
    const pattern = allPatterns(patterns).find((p) => p.id === id);
    const filled = pattern && describe(item, pattern, kinds, settings.units, settings.closingWords);
    return filled?.ok ? filled.text : null;
  };
  return laidUnder({ item, market, plan, stencils, kinds, now, describedBy });
}

export function hasBlockers(examined: Pick<Examined, 'findings'>): boolean {
  return examined.findings.some((f) => f.level === 'blocker');
}

/**
 * What tells whether the same pictures would go again: which, in what order, and whether they still look the
 * same.
 */
export function mediaHashes({ pictures, clip }: Media): string[] {
  return [...pictures, ...(clip ? [clip] : [])].map((p) => `${p.id}:${p.bytes}`);
}

/** What a listing that was brought in is compared with, until it is sent: what would have been sent then. */
export function hashNow({ effective, sheet }: Pick<Examined, 'effective' | 'sheet'>): string {
  return draftHash(looseDraft(effective, sheet));
}

/**
 * Whether something was changed since it was sent. One that was brought in differs in much that nobody
 * changed (the marketplace has its own postage, tags, words): it counts as changed once the person changed
 * something.
 */
export function changedSince(examined: Examined, sentHash: string): boolean {
  if (hasBlockers(examined)) return false;
  const sent = examined.plan?.sentMedia ?? [];
  if (sent.length > 0 && JSON.stringify(sent) !== JSON.stringify(mediaHashes(examined.media))) return true;
  return hashNow(examined) !== (examined.plan?.adoptedHash ?? sentHash);
}

/** The little of it that a table of many needs, fit to be sent between threads. */
export interface CellCheck {
  market: string;
  title: string;
  /** Two of the same title at the same price are not taken there. */
  refusesTwins: boolean;
  blockers: Finding[];
  cautions: Finding[];
  /** What would stand against it by the rules that are announced, and does not by today's. */
  coming: Finding[];
  price: number | null;
  takeHome: number | null;
  fees: number | null;
  category: string | null;
  /** Not sent before; null: at once. */
  startAt: number | null;
  /** What is shown there now is not what would be sent; only where something is shown. */
  changed: boolean;
}

/**
 * @param sentHash fingerprint of what is shown there; null where nothing is
 * @param announced the same by the rules that are announced; null where there are none
 */
export function cellOf(
  examined: Examined,
  sentHash: string | null,
  announced: Pick<Examined, 'findings'> | null = null,
): CellCheck {
  const { sheet, effective, findings, takeHome } = examined;
  return {
    market: sheet.marketplace,
    title: effective.title,
    refusesTwins: sheet.refusesTwins ?? false,
    blockers: findings.filter((f) => f.level === 'blocker'),
    cautions: findings.filter((f) => f.level === 'caution'),
    coming: announced ? newBlockers(findings, announced.findings) : [],
    price: effective.price,
    takeHome: takeHome?.takeHome ?? null,
    fees: takeHome?.feeTotal ?? null,
    category: effective.category?.id ?? null,
    startAt: examined.laid.plan?.startAt ?? null,
    changed: sentHash !== null && changedSince(examined, sentHash),
  };
}

/** What stands in the way later and does not now: each by its code and where it is put right. */
function newBlockers(now: readonly Finding[], later: readonly Finding[]): Finding[] {
  const known = new Set(now.filter((f) => f.level === 'blocker').map((f) => `${f.code} ${f.field}`));
  return later.filter((f) => f.level === 'blocker' && !known.has(`${f.code} ${f.field}`));
}
