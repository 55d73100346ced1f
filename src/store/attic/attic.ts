import { nanoid } from 'nanoid';
import { create } from 'zustand';

import type { Settings } from '@/contract/records';

import type { ChangeOptions, Put } from './changes';
import { createAttic, type Attic, type ManyOptions } from './createAttic';
import { Disk } from './disk';
import { useDrafts } from './draftStore';
import type { Change } from './journal';
import type { Conflict } from './merging';
import { isNone, useAttic } from './state';

export { pictureKey, type PictureSize } from './blobs';
export type { ChangeOptions, Put } from './changes';
export { OFFER_TIME } from './createAttic';
export { isNone, useAttic, type AtticState } from './state';

/** Tells the pages of one attic apart. */
const PAGE = nanoid();

/** The attic that this page has open. */
const useOpened = create<{ attic: Attic | null }>(() => ({ attic: null }));

/** @throws Error where none is open yet: whoever changes anything waits for that */
function opened(): Attic {
  const { attic } = useOpened.getState();
  if (!attic) throw new Error('No attic is open.');
  return attic;
}

/**
 * Opens the attic with this name in place of the one that is open.
 *
 * @throws Expected in words for a person
 */
export async function openAttic(name: string): Promise<void> {
  // What another attic has not stored yet is its own: it is stored before this one takes its place.
  await useOpened.getState().attic?.close();
  const attic = createAttic({
    name,
    disk: new Disk(name),
    channel: new BroadcastChannel(`attic-${name}`),
    state: useAttic,
    clock: Date.now,
    page: PAGE,
  });
  useOpened.setState({ attic });
  await attic.open();
}

export function isEmptyAttic(): boolean {
  const { items, hauls } = useAttic.getState();
  return isNone(items) && isNone(hauls);
}

/** A fresh id; its running number fixes the page it is stored on. */
export function newId(): string {
  return opened().newId();
}

/** Fresh ids, many at once. */
export function newIds(count: number): string[] {
  return opened().newIds(count);
}

export function setSettings(part: Partial<Settings>): void {
  opened().setSettings(part);
}

/** Changes records, with an undo: {@link Attic.change}. */
export function change(label: string, puts: readonly Put[], options?: ChangeOptions): void {
  opened().change(label, puts, options);
}

/** Changes very many records: {@link Attic.changeMany}. */
export function changeMany(
  label: string,
  makers: readonly (() => Put)[],
  options?: ManyOptions,
): Promise<void> {
  return opened().changeMany(label, makers, options);
}

/** Takes the newest change back, or the one given. */
export function undo(which?: Change): void {
  opened().undo(which);
}

/** A person has seen a conflict. With `other`, what did not stand is set instead. */
export function settleConflict(conflict: Conflict, other: boolean): void {
  opened().settleConflict(conflict, other);
}

export function dismissOffer(): void {
  useAttic.setState({ offer: null });
}

/** Bytes to be stored together with the records that speak of them. */
export function putBlob(key: string, blob: Blob): void {
  opened().blobs.put(key, blob);
}

/** Bytes that are no longer wanted, taken away with the next write. */
export function dropBlob(key: string): void {
  opened().dropBlob(key);
}

export async function readBlob(key: string): Promise<Blob | null> {
  return (await useOpened.getState().attic?.blobs.read(key)) ?? null;
}

/**
 * Where the bytes of pictures, clips and labels are kept, those included that are only in this page so far.
 */
export async function storedBytes(): Promise<string[]> {
  return (await useOpened.getState().attic?.blobs.keys()) ?? [];
}

/** Where the open attic is kept; null before one is. */
export function openDisk(): Disk | null {
  return useOpened.getState().attic?.disk ?? null;
}

/** Pictures' bytes that are only in this page so far. */
export function unsavedBlobs(): Readonly<Record<string, Blob>> {
  return useOpened.getState().attic?.blobs.unsaved() ?? {};
}

/** Resolves once everything changed so far is stored (or the trouble is in `saveTrouble`). */
export async function saveNow(): Promise<void> {
  await useOpened.getState().attic?.saveNow();
}

/** Something was typed in a form that is not finished; undefined: it is finished, or given up. */
export function setDraft(key: string, value: unknown): void {
  const { attic } = useOpened.getState();
  if (attic) attic.drafts.set(key, value);
  // Before one is open there is nowhere to keep it.
  else useDrafts.setState({ [key]: value });
}

/** Stores what was typed since; asked for at once when the page may be gone the next moment. */
export async function storeDrafts(): Promise<void> {
  await useOpened.getState().attic?.drafts.store();
}
