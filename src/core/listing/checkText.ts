import { NONE } from '@/contract/coded';
import type { Item } from '@/contract/records';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { Effective } from './effective';
import type { Report } from './report';
import type { PrivateValue } from '../kinds/publicFacts';
import { wholePhrase } from '../language/wholeWord';
import { countAs } from '../words/count';
import { findPrivate } from '../words/privacy';
import { topicsIn } from '../words/tags';
import { unsupportedClaims } from '../words/unsupportedClaims';

/** Title and description: how long they are and what they must not hold. */
export function checkText(
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  ours: readonly PrivateValue[],
  report: Report,
): void {
  // A record has a title of its own: the item's is not sent.
  if (!sheet.records) checkTitle(effective, sheet, report);
  checkTopics(effective, sheet, report);
  checkDescription(effective, sheet, report);
  for (const field of sheet.records ? (['description'] as const) : (['title', 'description'] as const))
    checkHolds(field, item, effective, sheet, ours, report);
}

/** What the description promises and the record does not hold. */
export function checkClaims(item: Item, { description, terms }: Effective, { caution }: Report): void {
  for (const { words, against } of unsupportedClaims(description, item, terms))
    caution('description', 'claimUnsupported', { claim: words, against });
}

/** A title this much shorter than it may be leaves room that would help. */
const SHORT = 0.4;

function checkTitle({ title, shortened }: Effective, sheet: RuleSheet, { block, caution }: Report) {
  const length = countAs(title, sheet.title.counts);
  const { max: most } = sheet.title;
  if (length === 0) block('title', 'titleMissing', NONE);
  else if (length > most)
    block(
      'title',
      'titleTooLong',
      { market: sheet.name, length, most },
      { code: 'writeShorter', params: NONE, plan: { title: null } },
    );
  else if (length < most * SHORT) caution('title', 'titleShort', { room: most - length });
  if (shortened.includes('title')) caution('title', 'titleShortened', { market: sheet.name, title });
}

/** Of a text that ends earlier there, so much of its end is shown; characters. */
const END_SHOWN = 40;

function checkDescription(effective: Effective, sheet: RuleSheet, { block, caution }: Report) {
  const { min: least, max: most, counts } = sheet.description;
  const market = sheet.name;
  const length = countAs(effective.text, counts);
  if (effective.shortened.includes('description')) {
    const end = effective.story.replace(/\n\n~.*$/su, '').slice(-END_SHOWN);
    caution('description', 'descriptionShortened', { market, end });
  }
  if (length < least) {
    if (length === 0) block('description', 'descriptionMissing', NONE);
    else block('description', 'descriptionTooShort', { market, length, least });
  }
  if (length > most)
    block(
      'description',
      'descriptionTooLong',
      { market, length, most },
      { code: 'endAtSentence', params: NONE, plan: { description: null } },
    );
}

function checkTopics({ description }: Effective, sheet: RuleSheet, { block }: Report) {
  const { topics } = sheet.description;
  if (!topics) return;
  const used = topicsIn(description);
  if (used.length > topics.max)
    block('description', 'topicsTooMany', { market: sheet.name, there: used.length, most: topics.max });
  for (const word of used)
    if (countAs(word, 'characters') > topics.longest)
      block('description', 'topicTooLong', { word, most: topics.longest });
}

export function checkTags({ tags }: Effective, sheet: RuleSheet, { block }: Report): void {
  if (!sheet.tags) return;
  const { max, longest } = sheet.tags;
  if (tags.length > max) block('tags', 'tagsTooMany', { market: sheet.name, there: tags.length, most: max });
  for (const tag of tags)
    if (tag.trim() === '' || countAs(tag, 'characters') > longest)
      block('tags', 'tagLength', { tag, most: longest });
}

/** What must not stand in public words: private things, markup, words that are refused there. */
function checkHolds(
  field: 'title' | 'description',
  item: Item,
  effective: Effective,
  sheet: RuleSheet,
  ours: readonly PrivateValue[],
  { block, own }: Report,
) {
  const text = effective[field];
  for (const { what, words } of findPrivate(text, item.spot, ours))
    own(field, 'privateText', { field, what, text: words });
  // Where markup is taken, what a person types is never read as markup.
  if (!(field === 'description' && sheet.description.markup) && /<[a-z!/][^>]*>/iu.test(text))
    block(field, 'markup', { field });
  for (const { word, why } of sheet.forbiddenWords)
    // A "ship" rule does not catch "shipshape".
    if (wholePhrase(word).test(text)) block(field, 'forbiddenWord', { word, why });
}
