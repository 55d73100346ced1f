import type { OwnListing } from '@/contract/ownListing';
import { CALL_LIMIT } from '@/core/courier/waiting';

import { CallFailed, failed } from './adapter';

/** Portions a marketplace's list may come in; more would be one that never ends. */
const MOST_PORTIONS = 400;
const PICTURE_LIMIT = 8_000_000;

/**
 * Where the pages of a marketplace are that comes with the app: a path, whatever name this server is called
 * by.
 */
export const homeAt = (address: string): string => `${new URL(address).pathname}/`;

/** A whole list that comes in portions. */
export async function inPortions<T>(
  ask: (from: number) => Promise<{ some: T[]; next: number | null }>,
): Promise<T[]> {
  const all: T[] = [];
  let from: number | null = 0;
  for (let i = 0; from !== null; i += 1) {
    if (i === MOST_PORTIONS) throw failed('endlessList', false);
    const portion: { some: T[]; next: number | null } = await ask(from);
    all.push(...portion.some);
    from = portion.next;
  }
  return all;
}

type Told = Pick<
  OwnListing,
  'market' | 'ref' | 'remoteId' | 'url' | 'title' | 'text' | 'price' | 'category' | 'condition' | 'pictures'
> &
  Partial<OwnListing>;

/** A listing in our words; fields without an answer are left out. */
export function ownListing(told: Told): OwnListing {
  const specifics = Object.entries(told.specifics ?? {}).filter(([, value]) => value.trim() !== '');
  return { state: 'live', postage: 0, listedAt: null, ...told, specifics: Object.fromEntries(specifics) };
}

const tooLarge = () => new CallFailed({ code: 'pictureTooLarge', params: { most: PICTURE_LIMIT } }, false);

/** A listing's picture, from where buyers see it. @throws CallFailed */
export async function pictureAt(address: string, name: string): Promise<Uint8Array<ArrayBuffer>> {
  try {
    const response = await fetch(`${address}/picture/${encodeURIComponent(name)}`, {
      signal: AbortSignal.timeout(CALL_LIMIT),
      redirect: 'error',
    });
    if (!response.ok) throw failed('pictureGone', false);
    if (Number(response.headers.get('content-length') ?? 0) > PICTURE_LIMIT) throw tooLarge();
    const bytes = new Uint8Array(await response.arrayBuffer());
    if (bytes.length > PICTURE_LIMIT) throw tooLarge();
    return bytes;
  } catch (error) {
    if (error instanceof CallFailed) throw error;
    throw failed('pictureNotFetched', false);
  }
}
