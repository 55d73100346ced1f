import { NONE } from '@/contract/coded';
import type { Picture, Item } from '@/contract/records';
import { BETWEEN_VALUES, type RuleSheet } from '@/contract/ruleSheet';

import { checkClaims, checkTags, checkText } from './checkText';
import type { Effective } from './effective';
import type { Finding } from './findings';
import { isNearlyUsed, NO_OTHER_LISTINGS, twinKey, type OtherListings } from './otherListings';
import { reporter, type Report } from './report';
import { recordOf } from '../catalogue/sheetRecords';
import { isAlike } from '../choices/choices';
import { choicesShown } from '../choices/shown';
import { gradeOfItem } from '../condition/grade';
import { privateValues, type PrivateValue } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { isTaken, mostValues, valuesOf } from '../mapping/fieldValues';
import { exponentOf } from '../money/money';
import { clipFor, hasWriting, picturesFor } from '../picture/chosen';
import { isForSeller, maySend } from '../picture/origin';
import { termsTrouble } from '../terms/terms';
import { countAs } from '../words/count';
import { findOwn, findPrivate } from '../words/privacy';
import { tagsName } from '../words/tags';

/**
 * The check: one listing against the marketplace's own rule sheet, our own rules on top.
 *
 * @param pictures the item's pictures in order
 * @param limits the person's own guards and floor
 * @returns blockers first; empty when it is ready
 */
export function checkListing(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  pictures: readonly Picture[],
  kinds: KindTree,
  limits: PriceLimits = NO_LIMITS,
): Finding[] {
  const report = reporter();
  if (item.left) report.own('kind', 'noLongerHere', NONE);
  if (item.readings.length > 0) report.caution('kind', 'readingsWait', NONE);
  checkPictures(sheet, pictures, report);
  checkCategory(item, effective, sheet, report);
  checkCondition(item, effective, sheet, report);
  checkChoices(item, effective, sheet, report);
  const ours = privateValues(item, kinds);
  checkText(item, effective, sheet, ours, report);
  checkPrivacy(item, effective, sheet, ours, report);
  checkPrice(effective, sheet, report);
  checkDepot(item, effective, report);
  const { unpostable, sentTerms } = effective;
  if (unpostable) report.own('parcel', unpostable.code, unpostable.params);
  checkPostage(effective, sheet, report);
  checkTags(effective, sheet, report);
  checkAuction(effective, sheet, limits.floor, report);
  checkRecord(effective, sheet, report);
  checkPaid(effective, sheet, report);
  for (const { code, params } of sentTerms ? termsTrouble(sentTerms, sheet) : [])
    report.block('terms', code, params);
  const { currency = sheet.currency } = limits;
  // No amount is ever converted: it would be asked for as it stands, in another money.
  if (currency !== sheet.currency)
    report.own('price', 'otherCurrency', { market: sheet.name, theirs: sheet.currency, ours: currency });
  checkLimits(effective, sheet.currency, limits, report);
  checkFields(effective, sheet, report);
  checkBeside(item, effective, sheet, limits.beside ?? NO_OTHER_LISTINGS, report);
  checkClaims(item, effective, report);
  return report.findings.sort((a, b) => Number(a.level === 'caution') - Number(b.level === 'caution'));
}

/**
 * Guards against slips of the finger, and the least that makes selling worth it; minor units, null for none.
 */
export interface PriceLimits {
  min: number | null;
  max: number | null;
  floor: number | null;
  /** What else of ours is listed. */
  beside?: OtherListings;
  /** What the person's amounts are in; absent: as the marketplace's. */
  currency?: string;
}

const NO_LIMITS: PriceLimits = { min: null, max: null, floor: null };

function checkChoices(item: Item, effective: Effective, sheet: RuleSheet, report: Report) {
  if (!item.choices) return;
  const { block, own } = report;
  if (isAlike(item.choices)) return checkStock(effective, report);
  if (!sheet.choices || !effective.choices) {
    // Sent as one piece, it would be offered once and the choices would be lost.
    own('choices', 'choicesNotTaken', { market: sheet.name });
    return;
  }
  const most = sheet.choices;
  const { name: market, currency } = sheet;
  const { options } = effective.choices;
  // What buyers would see of each: what is held back, or over the cap, is never sent.
  const { pieces } = choicesShown(effective.choices);
  if (options.length > most.options)
    block('choices', 'choiceKindsTooMany', { market, most: most.options, there: options.length });
  if (pieces.length < 2 || pieces.length > most.pieces)
    block('choices', 'choicePieces', { market, most: most.pieces, there: pieces.length });
  const long = [...options, ...pieces.flatMap((p) => p.values)].find((w) => w.length > most.longest);
  if (long) block('choices', 'choiceTooLong', { text: long, most: most.longest });
  if (pieces.some((p) => p.price < sheet.price.min || p.price > sheet.price.max))
    block('choices', 'choicePrices', { ...sheet.price, currency });
  if (pieces.some((p) => p.stock > most.stock)) block('choices', 'choiceStock', { market, most: most.stock });
  checkStock(effective, report);
  if (effective.auction) block('choices', 'choicesInAuction', NONE);
}

/** Something of it has to be shown. */
function checkStock({ choices }: Effective, { block, own }: Report) {
  if (!choices || choicesShown(choices).pieces.some((p) => p.stock > 0)) return;
  // Where one is shown, the marketplace asks nothing of the kind.
  const say = choices.oneAtATime ? own : block;
  say('choices', choices.pieces.every((p) => p.stock === 0) ? 'choicesOutOfStock' : 'choicesHeldBack', NONE);
}

/** The most a buyer may be asked for postage, wherever it goes. */
function checkPostage({ postage, sentTerms, terms }: Effective, sheet: RuleSheet, { block }: Report) {
  const { postageMost: most, name: market, currency } = sheet;
  if (most === undefined) return;
  const dear = (amount: number | null | undefined) => (amount ?? 0) > most;
  if (dear(postage) || dear(sentTerms?.further) || sentTerms?.abroad?.some((a) => dear(a.price)))
    block(terms ? 'terms' : 'parcel', 'postageOver', { market, amount: most, currency });
}

/** What is not at hand can't be posted. */
const DEPOT_CODES = {
  sent: 'depotOnItsWay',
  there: 'depotElsewhere',
  back: 'depotComingBack',
  missing: 'depotMissing',
} as const;

function checkDepot({ depot }: Item, effective: Effective, { caution }: Report) {
  if (depot && effective.depotNo === null) caution('parcel', DEPOT_CODES[depot.state], NONE);
}

/** With so many an item sells better: common practice. */
const ENOUGH_PICTURES = 6;

function checkPictures(sheet: RuleSheet, all: readonly Picture[], { block, caution }: Report) {
  const { min, max, minLongSide } = sheet.photos;
  const market = sheet.name;
  const kept = all.filter((p) => !maySend(p) && !isForSeller(p)).length;
  if (kept > 0) caution('pictures', 'picturesNotOwn', { count: kept });
  const clip = all.find((p) => p.clip);
  if (clip?.clip && sheet.clip && !clipFor(all, sheet.clip)) {
    const { maxSeconds: seconds, maxBytes: bytes } = sheet.clip;
    caution('pictures', 'clipTooLarge', { market, seconds, bytes });
  }
  const pictures = all.filter(maySend);
  const cover = pictures[0];
  if (cover && pictures.every(hasWriting)) caution('pictures', 'picturesAllWritten', NONE);
  else if (cover && hasWriting(cover)) caution('pictures', 'coverWritten', NONE);
  const there = pictures.length;
  if (there < min) block('pictures', 'picturesTooFew', { market, least: min, there });
  for (const picture of picturesFor(pictures, sheet.photos))
    if (Math.max(picture.width, picture.height) < minLongSide)
      block('pictures', 'pictureTooSmall', { position: all.indexOf(picture) + 1, least: minLongSide });
  if (there > max) caution('pictures', 'picturesLeftOut', { most: max });
  else if (there >= min && there < ENOUGH_PICTURES) caution('pictures', 'picturesFew', { there });
}

function checkCategory(item: Item, effective: Effective, sheet: RuleSheet, { block }: Report) {
  if (effective.category) return;
  const market = sheet.name;
  if (sheet.records) {
    const barcode = (effective.specifics.barcode ?? item.facts.barcode ?? '').trim();
    if (barcode === '') block('fact:barcode', 'barcodeMissing', { market });
    else block('fact:barcode', 'barcodeUnknown', { market, barcode });
  } else if (item.kind === '') block('kind', 'kindMissing', NONE);
  else block('category', effective.categoryId ? 'categoryGone' : 'categoryUnknown', { market });
}

function checkCondition(item: Item, effective: Effective, sheet: RuleSheet, { block }: Report) {
  const grade = gradeOfItem(item);
  if (!grade) block('condition', 'useMissing', NONE);
  else if (!effective.condition)
    block('condition', 'conditionNotTaken', { market: sheet.name, because: grade.because });
}

function checkAuction(
  { auction }: Effective,
  sheet: RuleSheet,
  floor: number | null,
  { block, caution }: Report,
) {
  if (!auction || !sheet.auction) return;
  const { minDays, maxDays, again, open } = sheet.auction;
  const { name: market, currency, price } = sheet;
  const days = Math.min(maxDays, Math.max(minDays, auction.days));
  if (auction.days !== days)
    block(
      'format',
      'auctionDays',
      { market, min: minDays, max: maxDays },
      { code: 'runDays', params: { days }, plan: { auction: { ...auction, days } } },
    );
  if (auction.again > again) block('format', 'auctionAgain', { market, most: again });
  if (auction.opening < open.min || auction.opening > open.max)
    block('format', 'auctionOpening', { market, ...open, currency });
  if (auction.outright !== null && auction.outright <= auction.opening)
    block('format', 'auctionOutright', NONE);
  if (auction.becomes !== null && (auction.becomes < price.min || auction.becomes > price.max))
    block('format', 'auctionBecomes', { min: price.min, max: price.max, currency });
  if (floor !== null && auction.opening < floor)
    caution('format', 'auctionUnderFloor', { amount: floor, currency });
}

/** Where items are listed against records: it has to be open to this seller. */
function checkRecord(effective: Effective, sheet: RuleSheet, { block }: Report) {
  if (!sheet.records || !effective.category) return;
  const barcode = (effective.specifics.barcode ?? '').trim();
  if (barcode !== '' && recordOf(barcode, sheet)?.closed)
    block('fact:barcode', 'recordClosed', { market: sheet.name, barcode });
}

function checkBeside(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  beside: OtherListings,
  { block, caution }: Report,
) {
  const { marketplace: market, name, monthlyAllowance: allowance } = sheet;
  const up = beside.upOn.get(item.id);
  if (effective.price !== null) {
    const twin = beside.twins
      .get(twinKey(market, effective.title, effective.price))
      ?.find((id) => id !== item.id);
    if (twin) (sheet.refusesTwins ? block : caution)('title', 'twin', { market: name });
  }
  const elsewhere = [...(up ?? [])].filter((m) => m !== market).length;
  if (effective.auction && elsewhere > 0) caution('format', 'upElsewhere', NONE);
  if (allowance === undefined || up?.has(market)) return;
  const used = beside.thisMonth[market] ?? 0;
  if (used >= allowance) block('category', 'allowanceUsed', { market: name, allowance });
  else if (isNearlyUsed(used, allowance))
    caution('category', 'allowanceNearlyUsed', { market: name, allowance, left: allowance - used });
}

function checkPaid({ paid }: Effective, sheet: RuleSheet, { block }: Report) {
  for (const rule of sheet.fees.rules) {
    if (
      rule.type === 'promotion' &&
      paid.promotionBp !== 0 &&
      (paid.promotionBp < rule.minBp || paid.promotionBp > rule.maxBp)
    )
      block('paid', 'promotionRange', { market: sheet.name, minBp: rule.minBp, maxBp: rule.maxBp });
    if (rule.type !== 'extra' || paid.extras[rule.id] === undefined) continue;
    const value = paid.extras[rule.id] ?? '';
    const { label } = rule;
    if (rule.asks === 'category' && !sheet.categories.some((c) => c.leaf && c.id === value))
      block('paid', 'extraCategory', { label });
    if (
      rule.asks === 'words' &&
      (value.trim() === '' || countAs(value, sheet.title.counts) > sheet.title.max)
    )
      block('paid', 'extraLength', { label, most: sheet.title.max });
  }
}

/** The seller's own facts in the marketplace's fields: the words were looked at with the words. */
function checkPrivacy(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  ours: readonly PrivateValue[],
  { own }: Report,
) {
  for (const tag of effective.tags)
    for (const { what } of findPrivate(tag, item.spot, ours))
      own('tags', 'privateSpecific', { label: tagsName(sheet.tags), what });
  for (const [id, value] of Object.entries(effective.specifics)) {
    const field = effective.category?.specifics.find((f) => f.id === id);
    for (const { what } of findOwn(value, ours))
      own(field?.choices ? `specific:${id}` : `fact:${id}`, 'privateSpecific', {
        label: field?.label ?? id,
        what,
      });
  }
}

function checkPrice(effective: Effective, sheet: RuleSheet, { block, caution }: Report) {
  const { min, max } = sheet.price;
  const { name: market, currency } = sheet;
  // An auction's own limits are looked at with the auction.
  if (effective.auction) return;
  if (effective.price === null) block('price', 'priceMissing', NONE);
  else if (effective.price < min)
    block(
      'price',
      'priceUnder',
      { market, amount: min, currency },
      { code: 'askAtLeast', params: { amount: min, currency }, plan: { price: min } },
    );
  else if (effective.price > max) block('price', 'priceOver', { market, amount: max, currency });
  else if (sheet.handover === 'collect' && effective.price % 10 ** exponentOf(currency) !== 0)
    caution('price', 'priceNotRound', NONE);
}

/** The person's own limits, on top of the marketplace's. */
function checkLimits(
  { price, auction }: Effective,
  currency: string,
  limits: PriceLimits,
  { own, caution }: Report,
) {
  if (price === null) return;
  const { min, max, floor } = limits;
  if (min !== null && price < min) own('price', 'underOwnLeast', { amount: min, currency });
  else if (max !== null && price > max) own('price', 'overOwnGreatest', { amount: max, currency });
  else if (floor !== null && price < floor && !auction)
    caution('price', 'underFloor', { amount: floor, currency });
}

function checkFields(effective: Effective, sheet: RuleSheet, { block, caution }: Report) {
  const market = sheet.name;
  for (const field of effective.category?.specifics ?? []) {
    const { id, label, choices, need, maxLength, own } = field;
    const value = effective.specifics[id] ?? '';
    const values = valuesOf(field, value);
    // What takes words of one's own is put right where they stand: among the facts.
    const at = choices && !own ? (`specific:${id}` as const) : (`fact:${id}` as const);
    if (values.length === 0) {
      if (need === 'required')
        block(at, 'specificMissing', { market, label, listed: choices !== undefined && !own });
      else if (need === 'recommended') caution(at, 'specificHelps', { label });
    } else if (values.length > mostValues(field)) {
      block(`specific:${id}`, 'specificTooMany', { label, most: mostValues(field) });
    } else {
      const strange = values.find((v) => !isTaken(field, v));
      if (strange !== undefined) block(at, 'specificNotListed', { market, label, value: strange });
      else if (maxLength && values.some((v) => v.length > maxLength))
        block(at, 'specificTooLong', { label, most: maxLength });
    }
  }
  for (const { id, label, required, type, choices } of sheet.questions) {
    const answer = effective.answers[id] ?? '';
    const at = `answer:${id}` as const;
    if (answer === '') {
      if (required) block(at, 'answerMissing', { market, label });
    } else if (type === 'several') {
      const strange = answer.split(BETWEEN_VALUES).find((a) => a !== '' && !choices?.includes(a));
      if (strange) block(at, 'answerNotListed', { market, answer: strange });
    } else if (type === 'number') {
      if (!/^\d{1,9}(?:[.,]\d{1,2})?$/u.test(answer)) block(at, 'answerNoNumber', { label });
    } else if (type === 'yesNo') {
      if (answer !== 'yes' && answer !== 'no') block(at, 'answerYesOrNo', { label });
    } else if (choices && !choices.includes(answer)) block(at, 'answerNotListed', { market, answer });
  }
}
