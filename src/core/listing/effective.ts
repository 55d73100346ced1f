import type { CarrierRates } from '@/contract/carrier';
import type { Choices } from '@/contract/choices';
import type { AuctionTerms, DraftChoices, ListingDraft } from '@/contract/courier';
import type { Plan, Settings, Item } from '@/contract/records';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';
import type { Terms } from '@/contract/terms';

import { conditionWord, leafById } from './onSheet';
import { ratesOf, type Setup } from './setup';
import { recordOf } from '../catalogue/sheetRecords';
import { choicesWith, draftAlike, draftChoices, isAlike } from '../choices/choices';
import { gradeOfItem } from '../condition/grade';
import { postedBy } from '../depot/depot';
import { canonicalBarcode } from '../identity/gtin';
import { publicFacts } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { categoryFor, type FoundCategory } from '../mapping/categories';
import { mappingsFor, specificsFromFacts } from '../mapping/values';
import { postageOf, PACKAGING, type Postage, type Unpostable } from '../postage/rates';
import type { AskingTerms } from '../price/askingPrice';
import { floorOfItem } from '../price/floor';
import { priceOn } from '../price/markdown';
import { parentsOf, takeHomeOf, type SaleTerms, type TakeHome } from '../price/takeHome';
import { postageBy, sentTerms, termsFor } from '../terms/terms';
import { countAs } from '../words/count';
import { cutToFit } from '../words/cut';
import { htmlFromText } from '../words/html';
import { pageHtml, pageText } from '../words/pageTemplate';
import { shopWords, type ShopWords } from '../words/shopWords';
import { tagsFor, topicLine, topicsIn } from '../words/tags';
import { titleFromFacts } from '../words/title';

/** One item on one marketplace: the values that would be sent, before they are checked. */
export interface Effective {
  title: string;
  /** As a person reads it: all of the page, where it is put together. */
  description: string;
  /** What was written of it, as far as it fits there. */
  story: string;
  /** The description as it is sent: with the marketplace's markup, where it takes some. */
  text: string;
  /** What of the shared words did not fit there and was written shorter. */
  shortened: readonly ('title' | 'description')[];
  tags: string[];
  /** What search engines are to show, where the marketplace wants to be told. */
  search: ShopWords | null;
  /** Minor units; null while there is none. The opening price of an auction. */
  price: number | null;
  auction: AuctionTerms | null;
  /** What the buyer pays for posting; 0 where it is collected; null when it can't be posted. */
  postage: number | null;
  /** What posting it costs the seller. */
  postageCost: number;
  /** Several to choose from, where the marketplace takes that; null: one of a kind. */
  choices: DraftChoices | null;
  /** Its number at that marketplace's depot, which posts it; null: it is with the seller. */
  depotNo: string | null;
  /** Why it can't be posted; null when it can. */
  unpostable: Unpostable | null;
  /**
   * How long it has been up there, and how many of its month came before it; what placement costs goes by it.
   */
  place: Pick<SaleTerms, 'daysListed' | 'listedThisMonth'>;
  terms: Terms | null;
  /** What the marketplace is told of the terms. */
  sentTerms: ListingDraft['terms'];
  paid: ListingDraft['paid'];
  category: SheetCategory | null;
  /** The id that was asked for, even where the sheet has no such leaf (any more). */
  categoryId: string | null;
  /** How sure this category is, and why; null where it was chosen for this listing, or there is none. */
  found: Pick<FoundCategory, 'sureness' | 'why'> | null;
  condition: RuleSheet['conditions'][number] | null;
  specifics: Record<string, string>;
  answers: Record<string, string>;
}

/**
 * What there is of it as this marketplace is told; null where it takes no variations.
 *
 * @param shared the item's price, minor units
 * @param price what is asked there
 * @param oneOnly it can't be counted there, whatever the marketplace does
 */
function choicesThere(
  choices: Choices,
  shared: number | null,
  price: number | null,
  sheet: RuleSheet,
  oneOnly: boolean,
): DraftChoices | null {
  if (isAlike(choices))
    return draftAlike(choices, price ?? 0, oneOnly ? null : (sheet.quantity?.most ?? null));
  return sheet.choices ? draftChoices(choices, shared) : null;
}

/** The floor of an item by the person's own set-up. */
export function floorHere(item: Item, kinds: KindTree, settings: Settings): number | null {
  const posted = inlandPostage(item, kinds, ratesOf(settings));
  return floorOfItem(item, settings.multiples, (posted.ok ? posted.price : 0) + PACKAGING);
}

/**
 * The price asked there on a day: what following others' copies gave; else its own or the shared one, come
 * down as far as its plan says by then.
 */
function priceThere(item: Item, plan: Plan | undefined, floor: number | null, now: number): number | null {
  const followed = plan?.follow ? plan.followed : null;
  // The floor may have risen since others' copies were looked at.
  if (followed) return Math.max(followed.price, floor ?? 0);
  const price = plan?.price ?? item.price;
  return price === null || !item.markdown
    ? price
    : priceOn(price, item.markdown, floor, item.markdown.from, now, item.holds);
}

/** What is paid for there beyond the listing, as far as the sheet sells it. */
function paidThere(plan: Plan | undefined, sheet: RuleSheet): ListingDraft['paid'] {
  const { rules } = sheet.fees;
  const extras = rules.flatMap((r) => {
    const chosen = r.type === 'extra' ? plan?.extras[r.id] : undefined;
    return r.type === 'extra' && chosen ? [[r.id, chosen]] : [];
  });
  const isPromoted = rules.some((r) => r.type === 'promotion');
  return { promotionBp: isPromoted ? (plan?.promotionBp ?? 0) : 0, extras: Object.fromEntries(extras) };
}

/** Facts of the item, reshaped by the marketplace's sheet, with the plan's own values on top. */
export function effectiveListing(
  item: Item,
  plan: Plan | undefined,
  sheet: RuleSheet,
  kinds: KindTree,
  setup: Setup,
  place: Effective['place'] = {},
): Effective {
  const { settings, mappings, now } = setup;
  const own = Object.fromEntries(
    Object.entries(plan?.specifics ?? {}).filter(([, value]) => value.trim() !== ''),
  );
  // Where items are listed against records, nothing but the record says where they go.
  const mapped = plan?.category || sheet.records ? null : categoryFor(item.kind, kinds, sheet, mappings);
  const categoryId = sheet.records
    ? recordRack(own.barcode ?? item.facts.barcode, sheet)
    : (plan?.category ?? mapped?.id ?? null);
  const category = leafById(sheet, categoryId) ?? null;
  const grade = gradeOfItem(item);
  const rates = ratesOf(settings);
  const terms = termsFor(item, sheet.marketplace, setup.terms, kinds, plan?.termsId);
  const posted = inlandPostage(item, kinds, rates);
  const collected = sheet.handover === 'collect';
  const charged = collected ? 0 : item.postageBy === 'builtIn' ? 0 : postageBy(terms, posted);
  const depotNo = sheet.depot && postedBy(sheet.marketplace, item) ? (item.depot?.no ?? null) : null;
  const answers: Record<string, string> = {};
  for (const question of sheet.questions) {
    const answer = plan?.answers[question.id] ?? settings.remembered[sheet.marketplace]?.[question.id];
    if (answer) answers[question.id] = answer;
  }
  const rules = mappingsFor(sheet.marketplace, item.kind, kinds, mappings);
  const auction = sheet.auction ? (plan?.auction ?? null) : null;
  const tags = sheet.tags ? (plan?.tags ?? tagsFor(item, kinds, [], sheet.tags)) : [];
  const price = auction ? auction.opening : priceThere(item, plan, floorHere(item, kinds, settings), now);
  // One goes to whoever bids most; one is in the depot under its number.
  const oneOnly = auction !== null || depotNo !== null;
  const keywords = sheet.search ? tagsFor(item, kinds, [], { max: 12, longest: 40 }) : [];
  return {
    ...wordsFor(item, plan, sheet, kinds, { settings, terms }),
    tags,
    search: sheet.search
      ? shopWords(item, kinds, settings.units, settings.shop, sheet.search, keywords)
      : null,
    choices:
      item.choices &&
      choicesThere(choicesWith(item.choices, plan?.pieces ?? null), item.price, price, sheet, oneOnly),
    price,
    auction,
    postage:
      depotNo !== null
        ? 0
        : charged === null || (!collected && !posted.ok)
          ? null
          : (sheet.postageCharged ?? charged),
    postageCost: depotNo !== null || collected || !posted.ok ? 0 : posted.price,
    depotNo,
    unpostable: depotNo !== null || collected || posted.ok ? null : posted.why,
    place,
    terms,
    sentTerms: sheet.terms
      ? sentTerms(terms, sheet.terms, (zone) => {
          const abroad = postageOf(parcelOf(item, kinds), zone, rates);
          return abroad.ok ? abroad.price : null;
        })
      : null,
    paid: paidThere(plan, sheet),
    category,
    categoryId,
    found: mapped && category ? { sureness: mapped.sureness, why: mapped.why } : null,
    condition: grade ? conditionWord(sheet, grade.wear, category?.id) : null,
    specifics: underRecord(
      category ? { ...specificsFromFacts(category, publicFacts(item, kinds), rules), ...own } : own,
      sheet,
    ),
    answers,
  };
}

/**
 * What is listed against the record of a barcode names it as the marketplace does, however it was typed or
 * kept.
 */
function underRecord(specifics: Record<string, string>, sheet: RuleSheet): Record<string, string> {
  const { barcode } = specifics;
  return sheet.records && barcode ? { ...specifics, barcode: canonicalBarcode(barcode) } : specifics;
}

/** The rack of a record; null where there is none under the barcode. */
function recordRack(barcode: string | undefined, sheet: RuleSheet): string | null {
  return recordOf(barcode, sheet)?.rack ?? null;
}

/**
 * The words as they fit there. Words given for this marketplace stay as they are; shared ones that are too
 * long are written shorter: the title anew from the record, the description up to where a sentence ends.
 */
function wordsFor(
  item: Item,
  plan: Plan | undefined,
  sheet: RuleSheet,
  kinds: KindTree,
  { settings, terms }: { settings: Settings; terms: Terms | null },
): Pick<Effective, 'title' | 'description' | 'story' | 'text' | 'shortened'> {
  const shortened: ('title' | 'description')[] = [];
  let title = (plan?.title ?? item.title).trim();
  if (plan?.title == null && countAs(title, sheet.title.counts) > sheet.title.max) {
    const forbidden = sheet.forbiddenWords.map((f) => f.word);
    const shorter = titleFromFacts(item, kinds, sheet.title.max, sheet.title.counts, [], forbidden);
    if (shorter !== '') {
      title = shorter;
      shortened.push('title');
    }
  }
  const { max, counts, markup, topics } = sheet.description;
  const parts = markup ? settings.pageParts : null;
  const page = (story: string) => ({
    ...{ item, kinds, units: settings.units, title, story, terms },
    closing: settings.closingWords,
  });
  const sent = (words: string) =>
    markup ? (parts ? pageHtml(parts, page(words), markup) : htmlFromText(words, markup)) : words;
  const length = (words: string) => countAs(sent(words), counts);
  let description = (plan?.description ?? item.description).trim();
  if (plan?.description == null) {
    const cut = cutToFit(description, max, length);
    if (cut.cut) shortened.push('description');
    description = cut.text;
    if (topics && description !== '' && topicsIn(description).length === 0) {
      const line = topicLine(tagsFor(item, kinds, [], topics), topics.max);
      const longer = `${description}\n\n${line}`;
      if (line !== '' && length(longer) <= max) description = longer;
    }
  }
  const text = sent(description);
  // What a person reads there, and what is looked through for what must not go out, is all of the page.
  const read = parts ? pageText(parts, page(description)) : description;
  return { title, description: read, story: description, text, shortened };
}

/** Packed weight in grams: as weighed, or the kind's guess. */
export function weightOf(item: Pick<Item, 'weightG' | 'kind'>, kinds: KindTree): number {
  return item.weightG ?? kinds.get(item.kind)?.parcelG ?? 1_000;
}

type Packed = Pick<Item, 'weightG' | 'kind' | 'parcel'>;

function parcelOf(item: Packed, kinds: KindTree) {
  const { lengthMm, widthMm, heightMm } = item.parcel ?? {};
  const size = lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null;
  return { grams: weightOf(item, kinds), size };
}

/** What posting it inland costs, by weight and size. */
export function inlandPostage(item: Packed, kinds: KindTree, rates: CarrierRates): Postage {
  return postageOf(parcelOf(item, kinds), 'inland', rates);
}

/** What of a listing decides which price brings how much; null where it can't be posted. */
export function askingTerms(effective: Effective, sheet: RuleSheet): AskingTerms | null {
  if (effective.postage === null) return null;
  const days = (id: string) => Math.max(1, Math.round(Number(effective.paid.extras[id])) || 1);
  return {
    sale: {
      postageCharged: effective.postage,
      postageCost: effective.postageCost,
      packaging: effective.depotNo !== null || sheet.handover === 'collect' ? 0 : PACKAGING,
      fromDepot: effective.depotNo !== null,
      ...effective.place,
      category: effective.categoryId ?? '',
      promotionBp: effective.paid.promotionBp,
      extras: Object.fromEntries(Object.keys(effective.paid.extras).map((id) => [id, days(id)])),
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
