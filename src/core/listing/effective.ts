import type { ListingDraft } from '@/contract/courier';
import type { Plan, Settings, Thing } from '@/contract/records';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import { gradeOfThing } from '../condition/grade';
import type { KindTree } from '../kinds/tree';
import { publicFacts } from '../kinds/publicFacts';
import { countAs } from '../words/count';
import { cutToFit } from '../words/cut';
import { htmlFromText } from '../words/html';
import { tagsFor, topicLine, topicsIn } from '../words/tags';
import { titleFromFacts } from '../words/title';
import { PACKAGING, postageOf, type Postage } from '../postage/rates';
import type { AskingTerms } from '../price/askingPrice';
import { priceOn } from '../price/markdown';
import { parentsOf, takeHomeOf, type TakeHome } from '../price/takeHome';
import { conditionWord, leafById, specificsFromFacts, suggestedCategory } from './mapping';

/** One thing on one marketplace: the values that would be sent, before they are checked. */
export interface Effective {
  title: string;
  /** As a person reads it. */
  description: string;
  /** The description as it is sent: with the marketplace's markup, where it takes some. */
  text: string;
  /** What of the shared words did not fit there and was written shorter. */
  shortened: readonly ('title' | 'description')[];
  /** Minor units; null while there is none. */
  price: number | null;
  /** What the buyer pays for posting; 0 where it is collected; null when too heavy for a parcel. */
  postage: number | null;
  /** What posting it costs the seller. */
  postageCost: number;
  category: SheetCategory | null;
  /** The id that was asked for, even where the sheet has no such leaf (any more). */
  categoryId: string | null;
  condition: RuleSheet['conditions'][number] | null;
  specifics: Record<string, string>;
  answers: Record<string, string>;
}

/** The price asked there on a day: its own or the shared one, come down as far as its plan says by then. */
export function priceThere(
  thing: Thing,
  plan: Plan | undefined,
  floor: number | null,
  now: number,
): number | null {
  const price = plan?.price ?? thing.price;
  return price === null || !thing.markdown
    ? price
    : priceOn(price, thing.markdown, floor, thing.markdown.from, now);
}

/**
 * Facts of the thing, reshaped by the marketplace's sheet, with the plan's own values on top.
 *
 * @param day when, in milliseconds since 1970, and the floor no price comes down under; only for prices that come down
 */
export function effectiveListing(
  thing: Thing,
  plan: Plan | undefined,
  sheet: RuleSheet,
  remembered: Settings['remembered'],
  kinds: KindTree,
  day: { now: number; floor: number | null } = { now: 0, floor: null },
): Effective {
  const categoryId = plan?.category ?? suggestedCategory(sheet.marketplace, thing.kind, kinds);
  const category = leafById(sheet, categoryId) ?? null;
  const grade = gradeOfThing(thing);
  const posted = inlandPostage(thing, kinds);
  const inland = sheet.handover === 'collect' ? 0 : posted.ok ? posted.price : null;
  const charged = thing.postageBy === 'builtIn' ? 0 : inland;
  const answers: Record<string, string> = {};
  for (const question of sheet.questions) {
    const answer = plan?.answers[question.id] ?? remembered[sheet.marketplace]?.[question.id];
    if (answer) answers[question.id] = answer;
  }
  const own = Object.fromEntries(Object.entries(plan?.specifics ?? {}).filter(([, v]) => v !== ''));
  return {
    ...wordsFor(thing, plan, sheet, kinds),
    price: priceThere(thing, plan, day.floor, day.now),
    postage: charged === null || inland === null ? null : (sheet.postageCharged ?? charged),
    postageCost: inland ?? 0,
    category,
    categoryId,
    condition: grade ? conditionWord(sheet, grade.wear) : null,
    specifics: category ? { ...specificsFromFacts(category, publicFacts(thing, kinds)), ...own } : own,
    answers,
  };
}

/**
 * The words as they fit there. Words given for this marketplace stay as they are; shared ones that are too long are
 * written shorter: the title anew from the record, the description up to where a sentence ends.
 */
function wordsFor(
  thing: Thing,
  plan: Plan | undefined,
  sheet: RuleSheet,
  kinds: KindTree,
): Pick<Effective, 'title' | 'description' | 'text' | 'shortened'> {
  const shortened: ('title' | 'description')[] = [];
  let title = (plan?.title ?? thing.title).trim();
  if (plan?.title == null && countAs(title, sheet.title.counts) > sheet.title.max) {
    const forbidden = sheet.forbiddenWords.map((f) => f.word);
    const shorter = titleFromFacts(thing, kinds, sheet.title.max, sheet.title.counts, [], forbidden);
    if (shorter !== '') {
      title = shorter;
      shortened.push('title');
    }
  }
  const { max, counts, markup, topics } = sheet.description;
  const sent = (words: string) => (markup ? htmlFromText(words, markup) : words);
  const length = (words: string) => countAs(sent(words), counts);
  let description = (plan?.description ?? thing.description).trim();
  if (plan?.description == null) {
    const cut = cutToFit(description, max, length);
    if (cut.cut) shortened.push('description');
    description = cut.text;
    if (topics && description !== '' && topicsIn(description).length === 0) {
      const line = topicLine(tagsFor(thing, kinds, [], topics), topics.max);
      const longer = `${description}\n\n${line}`;
      if (line !== '' && length(longer) <= max) description = longer;
    }
  }
  return { title, description, text: sent(description), shortened };
}

/** Packed weight in grams: as weighed, or the kind's guess. */
export function weightOf(thing: Pick<Thing, 'weightG' | 'kind'>, kinds: KindTree): number {
  return thing.weightG ?? kinds.get(thing.kind)?.parcelG ?? 1_000;
}

/** What posting it inland costs, by weight and size. */
export function inlandPostage(thing: Pick<Thing, 'weightG' | 'kind' | 'parcel'>, kinds: KindTree): Postage {
  const { lengthMm, widthMm, heightMm } = thing.parcel ?? {};
  const size = lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null;
  return postageOf({ grams: weightOf(thing, kinds), size });
}

/** What of a listing decides which price brings how much; null where it can't be posted. */
export function askingTerms(effective: Effective, sheet: RuleSheet): AskingTerms | null {
  if (effective.postage === null) return null;
  return {
    sale: {
      postageCharged: effective.postage,
      postageCost: effective.postageCost,
      packaging: sheet.handover === 'collect' ? 0 : PACKAGING,
      category: effective.categoryId ?? '',
    },
    schedule: sheet.fees,
    parents: parentsOf(sheet),
    min: sheet.price.min,
    max: sheet.price.max,
  };
}

/** Fees and take-home of a listing as it would be sent; null while it has no price or can't be posted. */
export function listingTakeHome(effective: Effective, sheet: RuleSheet): TakeHome | null {
  const terms = askingTerms(effective, sheet);
  if (effective.price === null || !terms) return null;
  return takeHomeOf({ ...terms.sale, price: effective.price }, terms.schedule, terms.parents);
}

/**
 * The draft to send, once the check has no blockers.
 *
 * @param pictureHashes SHA-256 of each rendition, in order
 * @throws Error when a value that the check requires is missing: only a programmer can cause that
 */
export function draftOf(
  effective: Effective,
  sheet: RuleSheet,
  pictureHashes: readonly string[],
  clip: ListingDraft['clip'] = null,
): ListingDraft {
  const { price, postage, category, condition } = effective;
  if (price === null || postage === null || !category || !condition)
    throw new Error('draftOf was called for a listing with blockers');
  return {
    title: effective.title,
    description: effective.text,
    price,
    currency: sheet.currency,
    postage,
    category: category.id,
    condition: condition.code,
    specifics: effective.specifics,
    answers: effective.answers,
    pictures: [...pictureHashes],
    clip,
  };
}

/**
 * Fingerprint of what a listing says, to tell whether the thing was changed since it was sent.
 * Pictures are left out: their renditions are made only when sending.
 */
export function draftPrint(draft: ListingDraft): string {
  const text = JSON.stringify([
    draft.title, draft.description, draft.price, draft.postage, draft.category, draft.condition,
    Object.entries(draft.specifics).sort(), Object.entries(draft.answers).sort(),
  ]); // prettier-ignore
  // FNV-1a over UTF-16 code units, twice with different seeds: change detection, not security.
  return [0x811c9dc5, 0x01000193].map((seed) => fnv(text, seed).toString(16).padStart(8, '0')).join('');
}

function fnv(text: string, seed: number): number {
  let hash = seed;
  for (let i = 0; i < text.length; i += 1) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193) >>> 0;
  return hash;
}
