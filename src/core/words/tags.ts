import type { SearchedWord } from '@/contract/comps';
import type { Item } from '@/contract/records';

import { countAs } from './count';
import { mainStuff } from './stuff';
import { isBorneOut } from './title';
import { publicWords } from '../kinds/publicFacts';
import type { KindTree } from '../kinds/tree';

export interface TagRoom {
  /** How many, and how long each may be in user-perceived characters. */
  max: number;
  longest: number;
}

/**
 * Tags from what the record says and buyers search, the most searched first: each once, in small letters,
 * none longer than the marketplace takes.
 */
export function tagsFor(
  item: Pick<Item, 'facts' | 'kind'>,
  kinds: KindTree,
  sought: readonly SearchedWord[],
  room: TagRoom,
): string[] {
  const kind = kinds.get(item.kind);
  const facts = publicWords(item, kinds);
  const what = kind?.titleWords ?? '';
  const stuff = mainStuff(facts.material ?? '');
  const joined = (...words: (string | undefined)[]) => words.filter(Boolean).join(' ');
  const wishes = [
    ...[...sought]
      .sort((a, b) => b.count - a.count)
      .filter((s) => isBorneOut(s.word, item, kinds))
      .map((s) => s.word),
    what,
    joined(facts.brand, what),
    joined(facts.colour, what),
    joined(stuff, what),
    joined(facts.decade, what),
    facts.brand,
    facts.model,
    stuff,
    facts.decade,
    facts.colour,
  ];
  const tags: string[] = [];
  for (const wish of wishes) {
    const tag = (wish ?? '').trim().toLocaleLowerCase('en');
    if (tag === '' || (tag === what && wish !== what) || tags.includes(tag)) continue;
    if (countAs(tag, 'characters') > room.longest) continue;
    tags.push(tag);
    if (tags.length === room.max) break;
  }
  return tags;
}

/** What a marketplace's tags are to a person: words buyers read, or words for its own search alone. */
export function tagsName(tags: { hidden?: boolean | undefined } | undefined): string {
  return tags?.hidden ? 'Search words' : 'Tags';
}

/** The sign before a topic word in a text: `~gansey`. */
const TOPIC = '~';

/** Topic words for the end of a text: single words only, so that one with a space is written together. */
export function topicLine(tags: readonly string[], max: number): string {
  return tags
    .slice(0, max)
    .map((tag) => TOPIC + tag.replace(/[^\p{L}\p{N}]+/gu, ''))
    .filter((word) => word.length > 1)
    .join(' ');
}

/** Topic words in a text, in order. */
export function topicsIn(text: string): string[] {
  return [...text.matchAll(/(?<!\S)~(\S+)/gu)].map((m) => m[1] ?? '');
}
