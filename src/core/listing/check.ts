import type { Picture, Plan, Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { Effective } from './effective';
import { NO_OTHER_LISTINGS, twinKey, type OtherListings } from './otherListings';
import { recordOf } from '../catalogue/sheetRecords';
import { choicesShown } from '../choices/shown';
import { gradeOfItem } from '../condition/grade';
import { privateValues, type PrivateValue } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';
import { exponentOf, formatMoney } from '../money/money';
import { clipFor, hasWriting, picturesFor } from '../picture/chosen';
import { maySend } from '../picture/origin';
import { termsTrouble } from '../terms/terms';
import { countAs } from '../words/count';
import { findOwn, findPrivate, OWN } from '../words/privacy';
import { topicsIn } from '../words/tags';
import { unsupportedClaims } from '../words/unsupportedClaims';
import { wholePhrase } from '../words/wholeWord';

/** Where on the item sheet the person can put a finding right. */
export type CheckField =
  | 'pictures'
  | 'kind'
  | 'condition'
  | 'choices'
  | 'title'
  | 'description'
  | 'price'
  | 'parcel'
  | 'category'
  | 'tags'
  | 'format'
  | 'terms'
  | 'paid'
  | `specific:${string}`
  // A field that takes free text: it is filled from the fact of the same name.
  | `fact:${string}`
  | `answer:${string}`;

export interface Finding {
  /** A blocker stops the sending, a caution does not. */
  level: 'blocker' | 'caution';
  field: CheckField;
  message: string;
  /** A rule of our own, which the marketplace need not share. */
  ours?: true;
  /** What one press would do about it. */
  fix?: Fix;
}

/** A change that puts a finding right: to the item, or to its plan for that marketplace. */
export interface Fix {
  /** A verb, in words. */
  words: string;
  item?: Partial<Item>;
  plan?: Partial<Plan>;
}

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
  const findings: Finding[] = [];
  const block: Report = (field, message, fix) =>
    findings.push({ level: 'blocker', field, message, ...fixed(fix) });
  const own: Report = (field, message, fix) =>
    findings.push({ level: 'blocker', field, message, ours: true, ...fixed(fix) });
  const caution: Report = (field, message, fix) =>
    findings.push({ level: 'caution', field, message, ...fixed(fix) });

  if (item.left) own('kind', 'It is no longer here to be sold.');
  checkPictures(sheet, pictures, block, caution);
  checkCategory(item, effective, sheet, block);
  checkCondition(item, effective, sheet, block);
  checkChoices(item, effective, sheet, block, own);
  const ours = privateValues(item, kinds);
  checkWords(item, effective, sheet, ours, block, own, caution);
  checkPrivacy(effective, ours, own);
  checkPrice(effective, sheet, block, caution);
  checkDepot(item, effective, caution);
  if (effective.unpostable !== null) own('parcel', effective.unpostable);
  checkPostage(effective, sheet, block);
  checkTags(effective, sheet, block);
  checkAuction(item, effective, sheet, limits.floor, block, caution);
  checkRecord(effective, sheet, block);
  checkPaid(effective, sheet, block);
  for (const trouble of effective.sentTerms ? termsTrouble(effective.sentTerms, sheet) : [])
    block('terms', trouble);
  checkLimits(effective, sheet.currency, limits, own, caution);
  checkFields(effective, sheet, block, caution);
  checkBeside(item, effective, sheet, limits.beside ?? NO_OTHER_LISTINGS, block, caution);
  for (const { words, why } of unsupportedClaims(effective.description, item, effective.terms))
    caution('description', `The description says “${words}”, but ${why}.`);
  return findings.sort((a, b) => Number(a.level === 'caution') - Number(b.level === 'caution'));
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
}

const NO_LIMITS: PriceLimits = { min: null, max: null, floor: null };

type Report = (field: CheckField, message: string, fix?: Fix) => unknown;
const fixed = (fix: Fix | undefined) => (fix ? { fix } : {});

function checkChoices(item: Item, effective: Effective, sheet: RuleSheet, block: Report, own: Report) {
  if (!item.choices) return;
  if (!sheet.choices || !effective.choices) {
    // Sent as one piece, it would be offered once and the choices would be lost.
    own('choices', `${sheet.name} takes nothing in choices: take the choices away, or leave it out there.`);
    return;
  }
  const most = sheet.choices;
  const { options, pieces: all } = effective.choices;
  // What buyers would see of each: what is held back, or over the cap, is never sent.
  const { pieces } = choicesShown(effective.choices);
  if (options.length > most.options)
    block('choices', `${sheet.name} takes ${most.options} kinds of choice; there are ${options.length}.`);
  if (pieces.length < 2 || pieces.length > most.pieces)
    block(
      'choices',
      `${sheet.name} takes 2 to ${most.pieces} pieces to choose from; there are ${pieces.length}.`,
    );
  const long = [...options, ...pieces.flatMap((p) => p.values)].find((w) => w.length > most.longest);
  if (long) block('choices', `“${long}” is longer than ${most.longest} characters.`);
  if (pieces.some((p) => p.price < sheet.price.min || p.price > sheet.price.max))
    block(
      'choices',
      `Every piece needs a price from ${formatMoney(sheet.price.min, sheet.currency)} to ${formatMoney(sheet.price.max, sheet.currency)}.`,
    );
  if (pieces.some((p) => p.stock > most.stock))
    block('choices', `${sheet.name} counts up to ${most.stock} of a piece.`);
  if (pieces.every((p) => p.stock === 0))
    block(
      'choices',
      all.every((p) => p.stock === 0)
        ? 'Nothing of it is in stock.'
        : 'All of it is held back: there would be nothing to show.',
    );
  if (effective.auction) block('choices', 'An auction sells one item: it can’t be in choices.');
}

/** The most a buyer may be asked for postage, wherever it goes. */
function checkPostage({ postage, sentTerms, terms }: Effective, sheet: RuleSheet, block: Report) {
  const { postageMost: most } = sheet;
  if (most === undefined) return;
  const dear = (amount: number | null | undefined) => (amount ?? 0) > most;
  if (dear(postage) || dear(sentTerms?.further) || sentTerms?.abroad?.some((a) => dear(a.price)))
    block(
      terms ? 'terms' : 'parcel',
      `${sheet.name} takes no postage over ${formatMoney(most, sheet.currency)}.`,
    );
}

/** What is not at hand can't be posted. */
function checkDepot({ depot }: Item, effective: Effective, caution: Report) {
  if (!depot || effective.depotNo !== null) return;
  if (depot.state === 'sent')
    caution('parcel', 'It is on its way to a depot: nothing can be posted before it is counted there.');
  if (depot.state === 'there')
    caution(
      'parcel',
      'It is at another marketplace’s depot: if it sells here, it has to be called back first.',
    );
  if (depot.state === 'back')
    caution('parcel', 'It is on its way back from a depot: it can be posted once it is here.');
  if (depot.state === 'missing')
    caution('parcel', 'It was missing when its parcel was counted at the depot: find it before it sells.');
}

function checkPictures(sheet: RuleSheet, all: readonly Picture[], block: Report, caution: Report) {
  const { min, max, minLongSide } = sheet.photos;
  const kept = all.filter((p) => !maySend(p)).length;
  if (kept > 0)
    caution(
      'pictures',
      `${kept === 1 ? 'One picture is' : `${kept} pictures are`} not your own: not sent unless you say you may.`,
    );
  const clip = all.find((p) => p.clip);
  if (clip?.clip && sheet.clip && !clipFor(all, sheet.clip))
    caution(
      'pictures',
      `${sheet.name} takes clips up to ${sheet.clip.maxSeconds} seconds and ${Math.round(sheet.clip.maxBytes / 1e6)} MB: this one stays here.`,
    );
  const pictures = all.filter(maySend);
  const cover = pictures[0];
  if (cover && pictures.every(hasWriting))
    caution('pictures', 'Every picture has writing on it: covers with writing are refused in places.');
  else if (cover && hasWriting(cover))
    caution('pictures', 'The cover may have writing on it: another picture goes first there.');
  if (pictures.length < min)
    block(
      'pictures',
      `${sheet.name} wants at least ${min} pictures; there ${isAre(pictures.length)} ${pictures.length}.`,
    );
  picturesFor(pictures, sheet.photos).forEach((picture) => {
    if (Math.max(picture.width, picture.height) < minLongSide)
      block(
        'pictures',
        `Picture ${all.indexOf(picture) + 1} is smaller than ${minLongSide} pixels on its longer side.`,
      );
  });
  if (pictures.length > max)
    caution('pictures', `Only ${max} pictures go there: plain details are left out first.`);
  // Never fewer than six pictures: common practice.
  else if (pictures.length >= min && pictures.length < 6)
    caution(
      'pictures',
      `Only ${pictures.length} ${pictures.length === 1 ? 'picture' : 'pictures'}: six or more sell better.`,
    );
}

function checkCategory(item: Item, effective: Effective, sheet: RuleSheet, block: Report) {
  if (effective.category) return;
  if (sheet.records) {
    const barcode = (effective.specifics.barcode ?? item.facts.barcode ?? '').trim();
    return block(
      'fact:barcode',
      barcode === ''
        ? `${sheet.name} lists items by their barcode: it needs one.`
        : `${sheet.name} has no record under ${barcode}.`,
    );
  }
  if (item.kind === '') block('kind', 'Say what kind of item it is.');
  else if (effective.categoryId)
    block('category', `${sheet.name} no longer has the category chosen: choose another.`);
  else
    block(
      'category',
      `${sheet.name} has no category known for this kind: choose one, or leave it out there.`,
    );
}

function checkCondition(item: Item, effective: Effective, sheet: RuleSheet, block: Report) {
  const grade = gradeOfItem(item);
  if (!grade) block('condition', 'Say how much it was used.');
  else if (!effective.condition)
    block('condition', `${sheet.name} takes nothing this worn (${grade.because}).`);
}

function checkWords(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  ours: readonly PrivateValue[],
  block: Report,
  own: Report,
  caution: Report,
) {
  const titleLength = countAs(effective.title, sheet.title.counts);
  if (!sheet.records) {
    if (titleLength === 0) block('title', 'It needs a title.');
    if (titleLength > sheet.title.max)
      block('title', `The title is ${titleLength} long; ${sheet.name} takes ${sheet.title.max}.`, {
        words: 'Write it shorter',
        plan: { title: null },
      });
    else if (titleLength > 0 && titleLength < sheet.title.max * 0.4)
      caution('title', `${sheet.title.max - titleLength} more characters would fit in the title.`);
  }
  const { min, max, counts } = sheet.description;
  const length = countAs(effective.text, counts);
  if (effective.shortened.includes('title') && !sheet.records)
    caution('title', `Too long for ${sheet.name}: there it is “${effective.title}”.`);
  if (effective.shortened.includes('description'))
    caution(
      'description',
      `Too long for ${sheet.name}: there it ends “…${effective.description.replace(/\n\n~.*$/su, '').slice(-40)}”.`,
    );
  const { topics } = sheet.description;
  if (topics) {
    const used = topicsIn(effective.description);
    if (used.length > topics.max)
      block('description', `${used.length} topic words; ${sheet.name} takes ${topics.max}.`);
    for (const word of used)
      if (countAs(word, 'characters') > topics.longest)
        block('description', `The topic word “${word}” is longer than ${topics.longest}.`);
  }
  if (length < min)
    block(
      'description',
      length === 0
        ? 'It needs a description.'
        : `The description is ${length} long; ${sheet.name} wants ${min}.`,
    );
  if (length > max)
    block('description', `The description is ${length} long; ${sheet.name} takes ${max}.`, {
      words: 'End it at a sentence',
      plan: { description: null },
    });
  // A record has a title of its own: the item's is not sent.
  const sent = sheet.records ? (['description'] as const) : (['title', 'description'] as const);
  for (const field of sent) {
    const text = effective[field];
    for (const find of findPrivate(text, item.spot, ours))
      own(field, `The ${field} holds ${privateWords(find.what)}: “${find.words}”.`);
    // Where markup is taken, what a person types is never read as markup.
    if (!(field === 'description' && sheet.description.markup) && /<[a-z!/][^>]*>/iu.test(text))
      block(field, `The ${field} holds markup; only plain text goes there.`);
    for (const { word, why } of sheet.forbiddenWords)
      // A "ship" rule does not catch "shipshape".
      if (wholePhrase(word).test(text)) block(field, `“${word}” is refused there: ${why}`);
  }
}

function checkTags(effective: Effective, sheet: RuleSheet, block: Report) {
  if (!sheet.tags) return;
  const { max, longest } = sheet.tags;
  if (effective.tags.length > max)
    block('tags', `${effective.tags.length} tags; ${sheet.name} takes ${max}.`);
  for (const tag of effective.tags)
    if (tag.trim() === '' || countAs(tag, 'characters') > longest)
      block('tags', `The tag “${tag}” is empty or longer than ${longest}.`);
}

function checkAuction(
  item: Item,
  { auction }: Effective,
  sheet: RuleSheet,
  floor: number | null,
  block: Report,
  caution: Report,
) {
  if (!auction || !sheet.auction) return;
  const { minDays, maxDays, again, open } = sheet.auction;
  const say = (amount: number) => formatMoney(amount, sheet.currency);
  if (auction.days < minDays || auction.days > maxDays)
    block('format', `Auctions run ${minDays} to ${maxDays} days on ${sheet.name}.`, {
      words: `Let it run ${Math.min(maxDays, Math.max(minDays, auction.days))} days`,
      plan: { auction: { ...auction, days: Math.min(maxDays, Math.max(minDays, auction.days)) } },
    });
  if (auction.again > again) block('format', `Put up again ${again} times at most on ${sheet.name}.`);
  if (auction.opening < open.min || auction.opening > open.max)
    block('format', `Auctions open from ${say(open.min)} to ${say(open.max)} on ${sheet.name}.`);
  if (auction.outright !== null && auction.outright <= auction.opening)
    block('format', 'The outright price has to be above the opening price.');
  if (auction.becomes !== null && (auction.becomes < sheet.price.min || auction.becomes > sheet.price.max))
    block(
      'format',
      `What it becomes: prices go from ${say(sheet.price.min)} to ${say(sheet.price.max)} there.`,
    );
  if (floor !== null && auction.opening < floor)
    caution('format', `It may go under your floor of ${say(floor)}.`);
}

/** Where items are listed against records: it has to be open to this seller. */
function checkRecord(effective: Effective, sheet: RuleSheet, block: Report) {
  if (!sheet.records || !effective.category) return;
  const barcode = (effective.specifics.barcode ?? '').trim();
  if (barcode === '') return;
  const record = recordOf(barcode, sheet);
  if (record?.closed) block('fact:barcode', `The record ${barcode} is closed to you on ${sheet.name}.`);
}

/** How near the end of a month's allowance it is said: the last tenth. */
const NEARLY_USED = 0.9;

function checkBeside(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  beside: OtherListings,
  block: Report,
  caution: Report,
) {
  const market = sheet.marketplace;
  const up = beside.upOn.get(item.id);
  if (effective.price !== null) {
    const twin = beside.twins
      .get(twinKey(market, effective.title, effective.price))
      ?.find((id) => id !== item.id);
    if (twin)
      (sheet.refusesTwins ? block : caution)(
        'title',
        `Another item of yours is up on ${sheet.name} under the same title at the same price.`,
      );
  }
  const elsewhere = [...(up ?? [])].filter((m) => m !== market).length;
  if (effective.auction && elsewhere > 0)
    caution(
      'format',
      `It is up elsewhere too: with the first bid it may be sold twice. Withdraw it there first.`,
    );
  const { monthlyAllowance } = sheet;
  if (monthlyAllowance === undefined || up?.has(market)) return;
  const used = beside.thisMonth[market] ?? 0;
  if (used >= monthlyAllowance)
    block('category', `This month’s ${monthlyAllowance} listings on ${sheet.name} are used up.`);
  else if (used >= monthlyAllowance * NEARLY_USED)
    caution(
      'category',
      `${monthlyAllowance - used} of this month’s ${monthlyAllowance} listings on ${sheet.name} are left.`,
    );
}

function checkPaid({ paid }: Effective, sheet: RuleSheet, block: Report) {
  for (const rule of sheet.fees.rules) {
    if (
      rule.type === 'promotion' &&
      paid.promotionBp !== 0 &&
      (paid.promotionBp < rule.minBp || paid.promotionBp > rule.maxBp)
    )
      block('paid', `Promotion goes from ${rule.minBp / 100} to ${rule.maxBp / 100} % on ${sheet.name}.`);
    if (rule.type !== 'extra' || paid.extras[rule.id] === undefined) continue;
    const value = paid.extras[rule.id] ?? '';
    if (rule.asks === 'category' && !sheet.categories.some((c) => c.leaf && c.id === value))
      block('paid', `${rule.label}: choose which.`);
    if (
      rule.asks === 'words' &&
      (value.trim() === '' || countAs(value, sheet.title.counts) > sheet.title.max)
    )
      block('paid', `${rule.label}: 1 to ${sheet.title.max} characters.`);
  }
}

/** The seller's own facts in the marketplace's fields: the words were looked at with the words. */
function checkPrivacy(effective: Effective, ours: readonly PrivateValue[], block: Report) {
  for (const [id, value] of Object.entries(effective.specifics)) {
    const field = effective.category?.specifics.find((f) => f.id === id);
    for (const find of findOwn(value, ours))
      block(
        field?.choices ? `specific:${id}` : `fact:${id}`,
        `${field?.label ?? id} holds ${privateWords(find.what)}.`,
      );
  }
}

function privateWords(what: string): string {
  if (what === 'spot') return 'the private spot';
  if (what.startsWith(OWN)) return `your private ${what.slice(OWN.length).toLocaleLowerCase('en')}`;
  return what.startsWith('e-') ? `an ${what}` : `a ${what}`;
}

function checkPrice(effective: Effective, sheet: RuleSheet, block: Report, caution: Report) {
  const { min, max } = sheet.price;
  // An auction's own limits are looked at with the auction.
  if (effective.auction) return;
  if (effective.price === null) block('price', 'It needs a price.');
  else if (effective.price < min)
    block('price', `${sheet.name} takes no price under ${formatMoney(min, sheet.currency)}.`, {
      words: `Ask ${formatMoney(min, sheet.currency)} there`,
      plan: { price: min },
    });
  else if (effective.price > max)
    block('price', `${sheet.name} takes no price over ${formatMoney(max, sheet.currency)}.`);
  else if (sheet.handover === 'collect' && effective.price % 10 ** exponentOf(sheet.currency) !== 0)
    caution('price', 'Round prices are easier to pay in cash.');
}

/** The person's own limits, on top of the marketplace's. */
function checkLimits(
  { price, auction }: Effective,
  currency: string,
  limits: PriceLimits,
  block: Report,
  caution: Report,
) {
  if (price === null) return;
  const { min, max, floor } = limits;
  if (min !== null && price < min)
    block('price', `Under your own least price of ${formatMoney(min, currency)}: a slip?`);
  else if (max !== null && price > max)
    block('price', `Over your own greatest price of ${formatMoney(max, currency)}: a slip?`);
  else if (floor !== null && price < floor && !auction)
    caution('price', `Under your floor of ${formatMoney(floor, currency)}.`);
}

function checkFields(effective: Effective, sheet: RuleSheet, block: Report, caution: Report) {
  for (const field of effective.category?.specifics ?? []) {
    const value = effective.specifics[field.id] ?? '';
    const at = field.choices ? (`specific:${field.id}` as const) : (`fact:${field.id}` as const);
    if (value === '') {
      if (field.need === 'required')
        block(
          at,
          `${sheet.name} asks for ${field.label.toLocaleLowerCase('en')}${field.choices ? ' from its own list' : ''}.`,
        );
      else if (field.need === 'recommended') caution(at, `${field.label} helps buyers there find it.`);
    } else if (field.choices && !field.choices.includes(value)) {
      block(at, `“${value}” is not on ${sheet.name}’s list for ${field.label.toLocaleLowerCase('en')}.`);
    } else if (field.maxLength && value.length > field.maxLength) {
      block(at, `${field.label} takes ${field.maxLength} characters there.`);
    }
  }
  for (const question of sheet.questions) {
    const answer = effective.answers[question.id] ?? '';
    const at = `answer:${question.id}` as const;
    if (question.required && answer === '') block(at, `${question.label}: ${sheet.name} asks.`);
    else if (question.type === 'several') {
      const strange = answer.split(' | ').find((a) => a !== '' && !question.choices?.includes(a));
      if (strange) block(at, `“${strange}” is not one of ${sheet.name}’s answers.`);
    } else if (question.type === 'number' && answer !== '' && !/^\d{1,9}(?:[.,]\d{1,2})?$/u.test(answer))
      block(at, `${question.label}: a number.`);
    else if (question.type === 'yesNo' && answer !== '' && answer !== 'yes' && answer !== 'no')
      block(at, `${question.label}: yes or no.`);
    else if (answer !== '' && question.choices && !question.choices.includes(answer))
      block(at, `“${answer}” is not one of ${sheet.name}’s answers.`);
  }
}

function isAre(n: number): string {
  return n === 1 ? 'is' : 'are';
}
