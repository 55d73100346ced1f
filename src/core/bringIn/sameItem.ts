import { NONE, type Coded, type None } from '@/contract/coded';

import { disagreement, titleFacts, type TitleFacts } from './titleFacts';
import { readBarcode } from '../identity/gtin';
import { cornerLight, fingerprintDistance } from '../pixels/fingerprint';

/** A listing found at a marketplace, or an item of the attic, as far as it helps to tell which is which. */
export interface Sighting {
  id: string;
  /** Null: an item of the attic. */
  market: string | null;
  /** What the marketplace knows it by, or the item's code. */
  ref: string;
  title: string;
  barcode: string;
  /** Minor units; null where it is not known. */
  price: number | null;
  /** Fingerprints of its pictures, as many as were looked at. */
  prints: readonly string[];
}

export interface Likeness {
  /** How sure, 0 to 1; from 0.5 on it counts as the same. */
  sure: number;
  /** In a few words each, the strongest first. */
  why: SameReason[];
}

/** Weight of a word: the fewer listings have it, the more it says. */
export type WordWeights = ReadonlyMap<string, number>;

/** What speaks for two sightings being one item. */
export interface SameReasonParams {
  reference: { ref: string };
  barcode: None;
  picture: None;
  likePicture: None;
  words: None;
}
export type SameReason = Coded<SameReasonParams>;

function uniqueBy<T>(all: readonly T[], key: (one: T) => string): T[] {
  return [...new Map(all.map((one) => [key(one), one])).values()];
}

/** What everything begins with: two listings picked at random are two items. */
const BEFORE = -3.55;

/**
 * How likely two sightings are one item: what speaks for and against it, added up as log-odds and turned
 * into a share. The weights are our own, set on the labelled pairs in the tests.
 */
export function likeness(a: Sighting, b: Sighting, weights: WordWeights): Likeness {
  // One marketplace shows an item once, and the attic holds it once.
  if (a.market === b.market) return { sure: 0, why: [] };
  const reasons: { points: number; why: SameReason | null }[] = [];
  const add = (points: number, why: SameReason | null = null) => reasons.push({ points, why });
  const [refA, refB] = [bare(a.ref), bare(b.ref)];
  if (refA.length >= 4 && refA === refB) add(5.5, { code: 'reference', params: { ref: a.ref } });
  const [codeA, codeB] = [gtin(a.barcode), gtin(b.barcode)];
  if (codeA && codeB) add(codeA === codeB ? 5 : -6, { code: 'barcode', params: NONE });
  const near = nearest(a.prints, b.prints);
  if (near !== null) {
    if (near < 0.5) add(8.5, { code: 'picture', params: NONE });
    else if (near < 0.9) add(3.8, { code: 'likePicture', params: NONE });
    else if (near > 1.2) add(-1.2);
  }
  const words = wordLikeness(a.title, b.title, weights);
  add((words - 0.45) * 9, words >= 0.6 ? { code: 'words', params: NONE } : null);
  add(disagreement(factsOf(a.title), factsOf(b.title)));
  if (a.price !== null && b.price !== null && a.price > 0 && b.price > 0) {
    const apart = Math.max(a.price, b.price) / Math.min(a.price, b.price);
    add(apart > 2 ? -1.6 : apart < 1.25 ? 0.6 : 0);
  }
  const odds = BEFORE + reasons.reduce((sum, r) => sum + r.points, 0);
  return {
    sure: 1 / (1 + Math.exp(-odds)),
    why: reasons
      .filter((r) => r.points > 0)
      .sort((x, y) => y.points - x.points)
      .flatMap((r) => r.why ?? []),
  };
}

/** Weights of all words in some titles: rare ones tell items apart, common ones hardly do. */
export function weighWords(titles: readonly string[]): WordWeights {
  const seenIn = new Map<string, number>();
  for (const title of titles)
    for (const word of new Set(wordsOf(title))) seenIn.set(word, (seenIn.get(word) ?? 0) + 1);
  const n = Math.max(1, titles.length);
  return new Map([...seenIn].map(([word, times]) => [word, Math.log(1 + n / times)]));
}

export interface SameGroup {
  /** Ids of listings, in the order they came. */
  listings: string[];
  /** The attic's item they are; null: none that is known. */
  item: string | null;
  /** How sure the least sure member is; 1 for a listing alone. */
  sure: number;
  why: SameReason[];
}

/**
 * Listings put together that are one item, and the attic's item where it is known. The likeliest pairs go
 * first; no group ever holds two listings of one marketplace or two items.
 */
export function groupSightings(listings: readonly Sighting[], items: readonly Sighting[]): SameGroup[] {
  const all = [...listings, ...items];
  const weights = weighWords(all.map((s) => s.title));
  const pairs: { a: number; b: number; like: Likeness }[] = [];
  for (const [a, b] of candidates(all, listings.length)) {
    // Candidates are places of `all`.
    const like = likeness(all[a]!, all[b]!, weights);
    if (like.sure >= 0.5) pairs.push({ a, b, like });
  }
  pairs.sort((x, y) => y.like.sure - x.like.sure || x.a - y.a || x.b - y.b);
  const groupOf = all.map((_, i) => ({ members: [i], sure: 1, why: new Array<SameReason>() }));
  for (const { a, b, like } of pairs) {
    // Every place of `all` has a group; members are such places.
    const [left, right] = [groupOf[a]!, groupOf[b]!];
    if (left === right) continue;
    // Members are places of `all`.
    const markets = [...left.members, ...right.members].map((i) => all[i]!.market);
    if (new Set(markets).size < markets.length) continue;
    const joined = {
      members: [...left.members, ...right.members].sort((x, y) => x - y),
      sure: Math.min(left.sure, right.sure, like.sure),
      why: uniqueBy([...left.why, ...right.why, ...like.why], (why) => JSON.stringify(why)),
    };
    for (const i of joined.members) groupOf[i] = joined;
  }
  return [...new Set(groupOf)].flatMap(({ members, sure, why }) => {
    const found = members.filter((i) => i < listings.length);
    const item = members.find((i) => i >= listings.length);
    if (found.length === 0) return [];
    return [
      {
        // Members are places of `all`.
        listings: found.map((i) => all[i]!.id),
        // Members are places of `all`.
        item: item === undefined ? null : all[item]!.id,
        sure,
        why,
      },
    ];
  });
}

/** Pairs worth a look: something in common besides the commonest words. Never two items of the attic. */
function* candidates(all: readonly Sighting[], listings: number): Generator<readonly [number, number]> {
  const keys = new Map<string, number[]>();
  const note = (key: string, i: number) => {
    const list = keys.get(key);
    if (list) list.push(i);
    else keys.set(key, [i]);
  };
  for (const [i, s] of all.entries()) {
    for (const word of new Set(wordsOf(s.title))) note(`w:${word}`, i);
    const [ref, code] = [bare(s.ref), gtin(s.barcode)];
    if (ref.length >= 4) note(`r:${ref}`, i);
    if (code) note(`b:${code}`, i);
    // Near pictures have nearly the same light in their upper left quarter; the whole print is compared
    // later.
    for (const print of s.prints) {
      const light = cornerLight(print);
      if (Number.isNaN(light)) continue;
      note(`p:${Math.floor(light / 4)}`, i);
      note(`q:${Math.floor((light + 2) / 4)}`, i);
    }
  }
  const done = new Set<number>();
  const crowd = Math.max(40, all.length / 4);
  for (const [key, list] of keys) {
    if (key.startsWith('w:') && list.length > crowd) continue;
    // Places rise, so from the first item of the attic on there are only items.
    // Both run within the list.
    for (let k = 0; k < list.length && list[k]! < listings; k += 1)
      for (let m = k + 1; m < list.length; m += 1) {
        // Both run within the list.
        const [low, high] = [list[k]!, list[m]!];
        if (low === high || done.has(low * all.length + high)) continue;
        done.add(low * all.length + high);
        yield [low, high];
      }
  }
}

/** A title is looked at once for every other it may be: what was read of the last ones is kept. */
const read = new Map<string, TitleFacts>();
const MOST_READ = 20_000;

function factsOf(title: string): TitleFacts {
  let facts = read.get(title);
  if (!facts) {
    if (read.size >= MOST_READ) read.clear();
    read.set(title, (facts = titleFacts(title)));
  }
  return facts;
}

const wordsOf = (title: string) => factsOf(title).words;

/**
 * How much of their words is the same, 0 to 1: half of both (Dice), half of the shorter one (overlap), by
 * weight.
 */
function wordLikeness(a: string, b: string, weights: WordWeights): number {
  const [left, right] = [new Set(wordsOf(a)), new Set(wordsOf(b))];
  const weigh = (words: Iterable<string>) =>
    [...words].reduce((sum, word) => sum + (weights.get(word) ?? 1), 0);
  const [all, least] = [weigh(left) + weigh(right), Math.min(weigh(left), weigh(right))];
  if (least === 0) return 0;
  const both = weigh([...left].filter((word) => right.has(word)));
  return both / all + both / least / 2;
}

function nearest(a: readonly string[], b: readonly string[]): number | null {
  let least: number | null = null;
  for (const x of a) for (const y of b) least = Math.min(least ?? Infinity, fingerprintDistance(x, y));
  return least;
}

const bare = (text: string) => text.toLocaleLowerCase('en').replace(/[^\p{L}\p{N}]/gu, '');

function gtin(barcode: string): string | null {
  const read = readBarcode(barcode);
  return read.ok ? read.gtin14 : null;
}
