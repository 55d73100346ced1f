import { fieldsOf } from '@/contract/fields';
import { COLLECTION_NAMES_EVER } from '@/contract/migrations';
import type { CollectionName } from '@/contract/records';

import { Disk, DATABASE } from './disk';
import { howKept } from './keeping';

/**
 * Where the name of the attic is remembered that this browser opened last, so that it opens without the
 * courier too.
 */
const REMEMBERED = 'yonder-attic-name';

/** An attic that this browser holds. */
export interface FoundAttic {
  name: string;
  items: number;
  /** When its settings were changed last, as far as that was noted; 0: not known. */
  changedAt: number;
}

export function rememberedAttic(): string | null {
  try {
    return localStorage.getItem(REMEMBERED);
  } catch {
    // A browser may forbid it: then nothing is remembered.
    return null;
  }
}

/**
 * From now on this attic is opened. Called once a person, or the courier, said which: never over another
 * one's name by itself.
 */
export function rememberAttic(name: string): void {
  try {
    localStorage.setItem(REMEMBERED, name);
  } catch {
    // Then the courier has to say it the next time.
  }
}

/** All attics in this browser that hold anything, the one changed last first. */
export async function findAttics(): Promise<FoundAttic[]> {
  const names = new Set(await atticNames());
  const found = await Promise.all([...names].map(looked));
  return found
    .flatMap((one) => (one ? [one] : []))
    .sort((a, b) => b.changedAt - a.changedAt || b.items - a.items);
}

async function atticNames(): Promise<string[]> {
  const remembered = rememberedAttic();
  const more = remembered === null ? [] : [remembered];
  if ((await howKept()) === 'memory' || typeof indexedDB.databases !== 'function') return more;
  const all = await indexedDB.databases();
  return [
    ...more,
    ...all.flatMap(({ name = '' }) => (name.startsWith(DATABASE) ? [name.slice(DATABASE.length)] : [])),
  ];
}

/** What is in an attic; null where that is nothing. */
async function looked(name: string): Promise<FoundAttic | null> {
  const disk = new Disk(name);
  const collectionOf = (key: string) => COLLECTION_NAMES_EVER.get(key.slice(0, key.indexOf(':')));
  const isCounted = (key: string) => collectionOf(key) === 'items' || collectionOf(key) === 'hauls';
  const texts = Object.entries(await disk.texts((await disk.keys()).filter(isCounted)));
  // By their ids: pages of an earlier version may still be there beside today's.
  const count = (of: CollectionName) =>
    new Set(
      texts.filter(([key]) => collectionOf(key) === of).flatMap(([, text]) => Object.keys(parsed(text))),
    ).size;
  const items = count('items');
  if (items === 0 && count('hauls') === 0) return null;
  const { settingsAt } = parsed(await disk.text('meta'));
  return { name, items, changedAt: typeof settingsAt === 'number' ? settingsAt : 0 };
}

function parsed(text: string | null | undefined): Record<string, unknown> {
  try {
    return fieldsOf(JSON.parse(text ?? ''));
  } catch {
    // Half a page counts for nothing here; opening the attic sets it aside and says so.
    return {};
  }
}
