import { NONE, type Coded, type None } from '@/contract/coded';
import type { RuleSheet, SheetCategory } from '@/contract/ruleSheet';

import { CONCEPTS, type Concept } from './concepts';
import { NameIndex, phrasesOf, type Word } from '../kinds/nounPhrase';
import { stemsOf, stemSet } from '../kinds/stem';
import { claimingNames, kinOf, ownNames } from '../kinds/suggest';
import type { KindTree } from '../kinds/tree';

/**
 * How well a shelf fits a kind: `sure`: its name says so; `likely`: a seller would look there; `doubtful`:
 * something of its name says so and something does not, or only its parent does.
 */
export type Fit = 'sure' | 'likely' | 'doubtful';

/** Why a category may be the one; `shown` stands in its name. */
export interface CategoryReasonParams {
  inName: { shown: string };
  nearName: { shown: string };
  likeGoesThere: None;
  chosen: None;
  chosenNearby: None;
  /** It takes whatever finds no other place. */
  rest: None;
}
export type CategoryReason = Coded<CategoryReasonParams>;

/** What one category of a sheet holds. */
export interface Shelf {
  category: SheetCategory;
  fits: ReadonlyMap<string, { fit: Fit; why: CategoryReason }>;
  /** How many kinds it surely holds: of two that fit, the narrower is the better. */
  breadth: number;
  /** Takes whatever finds no other place. */
  rest: boolean;
}

/** Say nothing of what a shelf holds. */
const PLAIN = stemSet(`
  old vintage antique retro used secondhand second hand other all assorted various general classic
  preowned pre owned our your more mixed small large long ago for to in the new modern popular decorative
  traditional practical fine real everyday`);
/** Stand at the end and name nothing: the word before them does. */
const GENERIC = stemSet(`
  thing item piece good stuff gear equipment supply article object department section range accessories`);
/** The young ones of those a shelf may be for. */
const YOUNG = stemSet('girls boys children kids teen baby babies toddler');
/** Hold a part of what they are said of: whether an item belongs there, its kind does not tell. */
const FOR_SOME = new Set([...stemSet('men mens women womens ladies lady gents unisex adult'), ...YOUNG]);
/** So many kinds of one branch named, and such a share of it: the others are likely there too. */
const ENOUGH = 3;
const MUCH = 0.4;
/** A shelf named with one of these takes whatever finds no other place. */
const REST = stemSet(
  'rest else anything odd miscellaneous misc everything various sundry sundries shop other',
);
/** Of a shelf’s parent they may be the place and not the items: a shelf of books is no cupboard. */
const PLACES = stemSet('shelf cabinet table box chest bench cupboard desk drawer counter stall market wall');
/** Branches for what no kind of ours is. */
const FOREIGN = stemSet(`
  pets pet animals vehicles vehicle cars motors motoring automotive property jobs services tickets food
  drink health beauty cosmetics plants livestock travel dolls doll`);

const ORDER: readonly Fit[] = ['doubtful', 'likely', 'sure'];

const known = new WeakMap<RuleSheet, { kinds: KindTree; shelves: readonly Shelf[] }>();

/** What every category that takes items holds, by the words of its name and of its parents’. */
export function shelvesOf(sheet: RuleSheet, kinds: KindTree): readonly Shelf[] {
  const before = known.get(sheet);
  if (before?.kinds === kinds) return before.shelves;
  const index = indexOf(kinds);
  const byId = new Map(sheet.categories.map((c) => [c.id, c]));
  const read = new Map<string, Held>();
  const heldBy = (category: SheetCategory): Held => {
    let held = read.get(category.id);
    if (!held) read.set(category.id, (held = holds(category.name, index, kinds)));
    return held;
  };
  const shelves = sheet.categories
    .filter((c) => c.leaf)
    .map((category): Shelf => {
      const own = heldBy(category);
      const parent = category.parent === null ? undefined : byId.get(category.parent);
      const above = parent ? heldBy(parent) : null;
      const fits = parent && above ? within(own, parent, above, kinds) : own.fits;
      const sure = [...fits.values()].filter(({ fit }) => fit === 'sure').length;
      return { category, fits, breadth: sure, rest: own.rest && !parent };
    });
  known.set(sheet, { kinds, shelves });
  return shelves;
}

interface Held {
  fits: Map<string, { fit: Fit; why: CategoryReason }>;
  rest: boolean;
  foreign: boolean;
}

/** What a name holds when it stands below another. */
function within(own: Held, parent: SheetCategory, above: Held, kinds: KindTree): Held['fits'] {
  if (above.foreign) return doubtful(own.fits);
  // "Other", of a branch: what its parent holds.
  if (own.fits.size === 0) return own.rest ? lowered(above.fits) : doubtful(above.fits);
  const stems = stemsOf(parent.name);
  if (stems.every((s) => FOR_SOME.has(s) || PLAIN.has(s)) && stems.some((s) => FOR_SOME.has(s)))
    return stems.some((s) => YOUNG.has(s)) ? forTheYoung(own.fits, kinds) : lowered(own.fits);
  const place = stems.some((s) => PLACES.has(s));
  if (place || above.fits.size === 0) return own.fits;
  // A name below a branch that is about something else means something else: a scale in Music is no mill.
  const roots = new Set([...above.fits.keys()].map((id) => kinds.get(id)?.path[0]));
  return new Map([...own.fits].filter(([id]) => roots.has(kinds.get(id)?.path[0])));
}

/** Of clothes, only those that are for children are surely theirs; toys and books are anyway. */
function forTheYoung(fits: Held['fits'], kinds: KindTree): Held['fits'] {
  return new Map(
    [...fits].map(([id, { fit, why }]) => {
      const worn = kinds.get(id)?.useWord === 'worn' && id !== 'childClothes';
      return [id, { fit: worn ? 'doubtful' : fit, why }];
    }),
  );
}

const doubtful = (fits: Held['fits']): Held['fits'] =>
  new Map([...fits].map(([id, { why }]) => [id, { fit: 'doubtful', why }]));
const lowered = (fits: Held['fits']): Held['fits'] =>
  new Map([...fits].map(([id, { fit, why }]) => [id, { fit: fit === 'sure' ? 'likely' : 'doubtful', why }]));

const LONGEST_NAME = 200;

/** What the words of a name hold, in our kinds. */
function holds(name: string, index: NameIndex<Concept>, kinds: KindTree): Held {
  const fits: Held['fits'] = new Map();
  const stems = stemsOf(name);
  const put = (ids: readonly string[], fit: Fit, why: CategoryReason) => {
    for (const id of ids.flatMap((i) => below(i, kinds))) {
      const now = fits.get(id);
      if (!now || ORDER.indexOf(now.fit) < ORDER.indexOf(fit)) fits.set(id, { fit, why });
    }
  };
  const phrases = phrasesOf(name.slice(0, LONGEST_NAME), index);
  for (const [i, { words, dependent }] of phrases.entries()) {
    const found = dependent ? null : conceptOf(words, index);
    if (!found) continue;
    const { concept, shown } = found;
    // Bags for cameras are some bags only.
    const doubt = phrases[i + 1]?.dependent ? 'other' : found.doubt;
    const why: CategoryReason = { code: 'inName', params: { shown } };
    const near: CategoryReason = { code: 'nearName', params: { shown } };
    if (doubt === 'none') put(concept.likely, 'likely', near);
    else put([...concept.likely, ...concept.surely], 'doubtful', near);
    if (doubt !== 'other') put(concept.surely, doubt === 'none' ? 'sure' : 'likely', why);
  }
  // Scarves, hats and gloves: ties are likely there too.
  const byParent = new Map<string, string[]>();
  for (const [id, { fit }] of fits) {
    const parent = kinds.get(id)?.parent;
    if (fit === 'sure' && parent) byParent.set(parent, [...(byParent.get(parent) ?? []), id]);
  }
  for (const [parent, named] of byParent) {
    const all = kinds.children(parent).map((k) => k.id);
    if (named.length >= ENOUGH && named.length >= MUCH * all.length)
      put(all, 'likely', { code: 'likeGoesThere', params: NONE });
  }
  return { fits, rest: stems.some((s) => REST.has(s)), foreign: stems.some((s) => FOREIGN.has(s)) };
}

/**
 * The longest known name that a phrase ends in; what stands before it may be nothing, some of it, or
 * something else.
 */
function conceptOf(words: readonly Word[], index: NameIndex<Concept>) {
  let end = words.length;
  for (; end > 0; end -= 1) {
    const hit = index.endingAt(words, end);
    if (hit) {
      const rest = words.slice(0, end - hit.length).filter((w) => !PLAIN.has(w.stem));
      const doubt = rest.length === 0 ? 'none' : rest.every((w) => FOR_SOME.has(w.stem)) ? 'part' : 'other';
      const shown = words
        .slice(end - hit.length, end)
        .map((w) => w.raw)
        .join(' ');
      return { concept: hit.value, shown: shown.toLocaleLowerCase('en'), doubt } as const;
    }
    // Within the list: it ends at 1.
    const last = words[end - 1]!.stem;
    if (!PLAIN.has(last) && !GENERIC.has(last)) return null;
  }
  return null;
}

function below(id: string, kinds: KindTree): string[] {
  return kinds.get(id) ? [id, ...kinds.children(id).flatMap((k) => below(k.id, kinds))] : [];
}

const indices = new WeakMap<KindTree, NameIndex<Concept>>();

/**
 * Every word for a shelf: what shelves are usually called, our kinds’ own names, and, with doubt, what else
 * they are called.
 */
function indexOf(kinds: KindTree): NameIndex<Concept> {
  let index = indices.get(kinds);
  if (index) return index;
  index = new NameIndex<Concept>();
  const all = claimingNames(kinds);
  for (const k of all.filter((kind) => kind.own)) index.add(k.name, { surely: [k.id], likely: [] });
  for (const [name, concept] of CONCEPTS) index.add(name, concept);
  for (const k of all) for (const name of ownNames(k)) index.add(name, { surely: [k.id], likely: [] });
  for (const k of all) for (const name of k.alsoCalled) index.add(name, { surely: [], likely: [k.id] });
  // A shelf for hoodies is none for all jumpers.
  for (const k of all) for (const name of kinOf(k.id)) index.add(name, NARROWER);
  indices.set(kinds, index);
  return index;
}

const NARROWER: Concept = { surely: [], likely: [] };
