import type { Mapping } from '@/contract/mapping';
import type { OwnListing } from '@/contract/ownListing';
import { USES, type Item } from '@/contract/records';
import { BETWEEN_VALUES, type RuleSheet } from '@/contract/ruleSheet';

import { wordsForUse } from '../condition/grade';
import { suggestKinds } from '../kinds/suggest';
import type { KindTree } from '../kinds/tree';
import { factsWith } from '../kinds/values';
import { categoryFor } from '../mapping/categories';
import { factOf } from '../mapping/values';
import type { Units } from '../measure/units';
import { formatMoney } from '../money/money';
import { importWords } from '../words/importWords';
import { sameWord } from '../words/sameWord';

/** A listing as far as something can be copied of it: one's own, or anybody's. */
export type Readable = Pick<
  OwnListing,
  'market' | 'title' | 'text' | 'price' | 'category' | 'condition' | 'specifics'
>;

/** One field that could be copied, with what each listing says. */
export interface FieldOffer {
  /** `title`, `description`, `price`, `use`, or `fact:` and its id. */
  field: string;
  label: string;
  /** What most listings say first. */
  values: { value: string; /** For a person. */ shown: string; markets: string[] }[];
}

/**
 * What kind of item some listings of one item show: by their words; where those name none, as the person
 * decided for such a category, as long as items of no other kind go there.
 *
 * @returns empty when nothing points to a kind
 */
export function kindOfListings(
  listings: readonly Readable[],
  kinds: KindTree,
  mappings: readonly Mapping[],
  sheets: readonly RuleSheet[],
): string {
  // Categories are too broad to go by: "Kitchen and table" would make a desk of a tray.
  const found = suggestKinds({ title: listings.map((l) => l.title).join('\n') }, kinds, 1)[0];
  if (found) return found.kind;
  for (const { market, category } of listings) {
    const sheet = sheetOf(sheets, market);
    const decided = mappings.find((m) => m.kind !== '' && m.market === market && m.category === category);
    if (!sheet || !decided || !kinds.get(decided.kind)) continue;
    // A decision says where a kind goes, not what all there is: a shelf for all the rest holds more than
    // cardigans.
    const others = kinds.leaves.some(
      ({ id, path }) =>
        !path.includes(decided.kind) && categoryFor(id, kinds, sheet, mappings)?.id === category,
    );
    if (!others) return decided.kind;
  }
  return '';
}

/** All that could be copied from listings of one item, field by field, cleaned. */
export function offersOf(
  listings: readonly Readable[],
  sheets: readonly RuleSheet[],
  kinds: KindTree,
  kind: string,
  units: Units,
): FieldOffer[] {
  const offers = new Map<string, FieldOffer>();
  const say = (field: string, label: string, value: string, market: string, shown = value) => {
    if (value.trim() === '') return;
    const offer = offers.get(field) ?? { field, label, values: [] };
    const same = offer.values.find((v) => sameWord(v.value, value));
    if (!same) offer.values.push({ value: value.trim(), shown, markets: [market] });
    else if (!same.markets.includes(market)) same.markets.push(market);
    offers.set(field, offer);
  };
  const facts = new Map(kinds.facts(kind).map((f) => [f.id, f]));
  for (const listing of listings) {
    const { market } = listing;
    const sheet = sheetOf(sheets, market);
    say('title', 'Title', listing.title.slice(0, 400), market);
    const words = importWords(listing.text, kinds, kind, units);
    say('description', 'Description', words.text.slice(0, 10_000), market);
    if (sheet)
      say('price', 'Price', String(listing.price), market, formatMoney(listing.price, sheet.currency));
    const wear = sheet?.conditions.find((c) => c.code === listing.condition)?.wear;
    const use = wear === undefined ? undefined : USES[Math.min(wear, USES.length - 1)];
    if (use) say('use', 'How it was used', use, market, wordsForUse(use));
    for (const [id, value] of Object.entries(listing.specifics)) {
      const spec = facts.get(factOf(id));
      // Several at once are several answers where we ask for several, and named in a row where not.
      const said = value.replaceAll(BETWEEN_VALUES, spec?.several ? '\n' : ', ');
      if (spec && !spec.private && factsWith({}, spec, said).ok)
        say(`fact:${spec.id}`, spec.label, said, market);
    }
  }
  for (const offer of offers.values())
    offer.values.sort((a, b) => b.markets.length - a.markets.length || b.value.length - a.value.length);
  return [...offers.values()];
}

/** What an item says itself in a field that could be copied; null where it says nothing. */
export function nowSaid(field: string, item: Item): string | null {
  if (field === 'title' || field === 'description') return item[field] || null;
  if (field === 'price') return item.price === null ? null : String(item.price);
  if (field === 'use') return item.use;
  return item.facts[field.slice('fact:'.length)] ?? null;
}

/** What copying some values makes of an item. What a question does not take is left out. */
export function copied(
  item: Pick<Item, 'facts'>,
  chosen: Readonly<Record<string, string>>,
  kinds: KindTree,
  kind: string,
): Partial<Item> {
  const part: Partial<Item> = {};
  let facts = item.facts;
  for (const [field, value] of Object.entries(chosen)) {
    if (field === 'title' || field === 'description') part[field] = value;
    if (field === 'price') part.price = Number(value);
    if (field === 'use') part.use = USES.find((u) => u === value) ?? null;
    const spec = field.startsWith('fact:') && kinds.facts(kind).find((f) => f.id === field.slice(5));
    const done = spec && factsWith(facts, spec, value);
    if (done && done.ok) facts = done.facts;
  }
  return facts === item.facts ? part : { ...part, facts };
}

function sheetOf(sheets: readonly RuleSheet[], market: string): RuleSheet | undefined {
  return sheets.find((s) => s.marketplace === market);
}
