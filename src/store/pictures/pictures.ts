import type { Incoming } from '@/contract/incoming';
import { Picture, type Origin } from '@/contract/picture';
import type { Item } from '@/contract/records';
import type { PictureTrouble } from '@/core/picture/fileType';
import { isFingerprint } from '@/core/pixels/fingerprint';
import {
  change,
  newId,
  pictureKey,
  putBlob,
  readBlob,
  saveNow,
  unsavedBlobs,
  useAttic,
  type ChangeOptions,
} from '@/store/attic/attic';
import { unlessExpected, wordsFor } from '@/store/base/faults';
import { addItem, itemWith } from '@/store/items/items';
import { pictureTroubleWords } from '@/wording/pictures';
import type { Taken as TakenPicture } from '@/workers/picture.worker';

import { takeClip, type TakenClip } from './clips';
import { colourOfFront } from './colours';
import { forgetIncoming, keepIncoming, noLongerWaiting, useIncoming, type Waiting } from './incoming';
import { pictureWorker } from './pictureWorker';
import { freshReadings } from './readings';

export interface NotTaken {
  name: string;
  why: string;
}

export interface Taken {
  /** The item they went to; null when none could be taken into a new one. */
  itemId: string | null;
  notTaken: NotTaken[];
}

export interface TakeOptions {
  origin: Origin;
  /** Where they were fetched from. */
  address?: string | null;
  /** What the first of them shows, of the shot list. */
  shows?: string;
  /** Who says so; the list that asked for it may be wrong. */
  showsBy?: Incoming['showsBy'];
  /** Whether they are looked at by themselves. */
  look?: boolean;
  onEach?: (done: number, itemId: string | null) => void;
}

/**
 * Takes picture and clip files into an item, one after the other. All are kept before work on the first
 * begins, so that it goes on after a reload. What can't be read is reported and the others go on; each is
 * stored before the next one begins.
 *
 * @param target an item's id; null begins a new item, which exists as soon as its first picture does
 */
export async function addPictures(
  target: string | null,
  files: readonly File[],
  options: TakeOptions,
): Promise<Taken> {
  return takeKept(await keepPictures(target, files, options), options.onEach);
}

/** Keeps picture and clip files as they are; {@link takeKept} makes pictures of them. */
export function keepPictures(
  target: string | null,
  files: readonly File[],
  { origin, address = null, shows = '', showsBy = 'person', look = true }: TakeOptions,
): Promise<Waiting[]> {
  const begins = target === null || !useAttic.getState().items[target];
  return keepIncoming(target ?? newId(), files, { begins, origin, address, shows, showsBy, look });
}

/** Makes pictures of what was kept, in order. */
export async function takeKept(
  waiting: readonly Waiting[],
  onEach?: TakeOptions['onEach'],
  options: ChangeOptions = {},
): Promise<Taken> {
  const notTaken: NotTaken[] = [];
  let itemId: string | null = null;
  // What the first was to show, the first that can be taken shows.
  let shown = '';
  for (const [i, { about, file }] of waiting.entries()) {
    shown ||= about.shows;
    const { name } = about;
    try {
      const outcome = await takeOne(about, file, shown, options);
      if (outcome === 'taken') shown = '';
      else if (outcome !== 'removed') notTaken.push({ name, why: pictureTroubleWords(outcome) });
    } catch (error) {
      // What goes wrong with one is said of that one; the others go on.
      notTaken.push({ name, why: wordsFor(error, 'taking a picture') });
    }
    await forgetOnceStored(about.id);
    if (useAttic.getState().items[about.itemId]) itemId = about.itemId;
    onEach?.(i + 1, itemId);
  }
  return { itemId, notTaken };
}

/** Whether its bytes are nowhere but in this page: the chosen file is all that a reload would find. */
function isOnlyHere(id: string): boolean {
  return unsavedBlobs()[pictureKey(id, 'original')] !== undefined;
}

/** Where there is no room for its picture, the file that was chosen stays until there is. */
async function forgetOnceStored(id: string): Promise<void> {
  if (!isOnlyHere(id)) return forgetIncoming(id);
  noLongerWaiting(id);
  const stop = useAttic.subscribe(() => {
    if (isOnlyHere(id)) return;
    stop();
    void forgetIncoming(id);
  });
}

/** @returns `removed`: its item was removed meanwhile, it goes with it; else why it could not be taken */
async function takeOne(
  about: Incoming,
  bytes: Blob,
  shows: string,
  options: ChangeOptions,
): Promise<'taken' | 'removed' | PictureTrouble> {
  const isRecorded = useAttic.getState().pictures[about.id] !== undefined;
  // It is a picture already where only its mark was left. A record may come without bytes: what is typed is
  // noted down when a page is left, or stored alone where there is no room.
  if (isRecorded && (await readOriginal(about.id))) return 'taken';
  const file = bytes instanceof File ? bytes : new File([bytes], about.name, { type: about.type });
  const clip = await takeClip(file);
  if (clip && !clip.ok) return clip.why;
  const taken = await pictureWorker().take(clip ? clip.still : file);
  if (!taken.ok) return taken.why;
  if (!isRecorded && !useAttic.getState().items[about.itemId]) {
    if (!about.begins || useIncoming.getState().begun.includes(about.itemId)) return 'removed';
    const begun = addItem({ id: about.itemId });
    useIncoming.setState((now) => ({ begun: [...now.begun, begun] }));
  }
  putBlob(pictureKey(about.id, 'original'), taken.full);
  putBlob(pictureKey(about.id, 'thumb'), taken.thumb);
  if (clip) putBlob(pictureKey(about.id, 'clip'), clip.bytes);
  const item = useAttic.getState().items[about.itemId];
  if (!isRecorded && item) addRecord(item, about, shows, { taken, clip }, options);
  await saveNow();
  return 'taken';
}

type Made<T extends { ok: boolean }> = Extract<T, { ok: true }>;

/** The record of a picture whose bytes are here, put to its item. */
function addRecord(
  item: Item,
  { id, origin, address, showsBy, look }: Incoming,
  shows: string,
  { taken, clip }: { taken: Made<TakenPicture>; clip: Made<TakenClip> | null },
  options: ChangeOptions,
): void {
  const { width, height, takenAt, exam, colours, full, thumb } = taken;
  const picture = Picture.parse({
    id,
    itemId: item.id,
    origin,
    address,
    author: useAttic.getState().settings.author,
    takenAt,
    addedAt: Date.now(),
    width,
    height,
    bytes: full.size + thumb.size + (clip ? clip.bytes.size : 0),
    shows,
    showsBy,
    awaits: look && clip === null,
    exam,
    clip: clip ? { seconds: clip.seconds, type: clip.type } : null,
  });
  // One that is looked at is first found to be a front.
  const coloursAtOnce = look ? [] : colourOfFront(item, picture, colours);
  change(
    'picture added',
    [
      { collection: 'pictures', id, record: picture },
      itemWith(item, {
        pictureIds: [...item.pictureIds, id],
        readings: [...item.readings, ...freshReadings(item, id, coloursAtOnce)],
      }),
    ],
    options,
  );
}

export function removePicture(item: Item, id: string): void {
  change(
    'picture removed',
    [
      itemWith(item, { pictureIds: item.pictureIds.filter((p) => p !== id) }),
      { collection: 'pictures', id, record: null },
    ],
    { destructive: true },
  );
}

export function orderPictures(item: Item, pictureIds: string[]): void {
  change('pictures in a new order', [itemWith(item, { pictureIds })]);
}

/** Changes what is said about a picture: what it shows, where it comes from, whether it is sent. */
export function editPicture(id: string, label: string, part: Partial<Picture>): void {
  const picture = useAttic.getState().pictures[id];
  if (picture) change(label, [{ collection: 'pictures', id, record: { ...picture, ...part } }]);
}

/** The picture as it was taken. Attics from before originals were kept apart hold only one. */
export async function readOriginal(id: string): Promise<Blob | null> {
  return (await readBlob(pictureKey(id, 'original'))) ?? readBlob(pictureKey(id, 'full'));
}

/** The picture as it is to be seen: cleaned up, where it was. */
export async function readShown(id: string): Promise<Blob | null> {
  return (await readBlob(pictureKey(id, 'full'))) ?? readBlob(pictureKey(id, 'original'));
}

const isExamined = ({ exam }: Picture) => exam !== null && isFingerprint(exam.print);

/**
 * Examines pictures that came without (from the demo, or an older attic), or were examined in an older
 * way, one after the other.
 */
export async function examineMissing(ids: readonly string[]): Promise<void> {
  for (const id of ids) {
    const picture = useAttic.getState().pictures[id];
    if (!picture || isExamined(picture) || picture.made) continue;
    const blob = await readShown(id);
    const exam =
      blob &&
      (await pictureWorker()
        .examined(blob)
        // One that can't be looked at stays without; it is tried again another day.
        .catch((error: unknown) => {
          unlessExpected('examining a picture')(error);
          return null;
        }));
    const now = useAttic.getState().pictures[id];
    if (exam && now && !isExamined(now))
      change('picture examined', [{ collection: 'pictures', id, record: { ...now, exam } }], {
        ownUndo: true,
      });
  }
}
