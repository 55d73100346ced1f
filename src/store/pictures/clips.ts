import { NONE } from '@/contract/coded';
import { blankClipNotes, clipType } from '@/core/picture/clipPrivacy';
import type { PictureTrouble } from '@/core/picture/fileType';

/** Longest clip that is kept, seconds, with a little grace for how players round. */
export const LONGEST_CLIP = 60;
const GRACE = 0.9;
/** Largest clip, bytes. */
const LARGEST = 120_000_000;
/**
 * How long a player may take to show a clip's first picture, milliseconds: a slow phone that does other work
 * needs many seconds for what a good one shows at once, and its clip is no worse.
 */
const PATIENCE = 60_000;

export type TakenClip =
  | { ok: true; bytes: Blob; type: 'video/webm' | 'video/mp4'; seconds: number; still: Blob }
  | { ok: false; why: PictureTrouble };

/** A clip with its still, free of what the camera wrote along; null when the file is no clip. */
export async function takeClip(file: File): Promise<TakenClip | null> {
  const type = clipType(new Uint8Array(await file.slice(0, 16).arrayBuffer()));
  if (!type) return null;
  if (file.size > LARGEST) return { ok: false, why: { code: 'clipTooLarge', params: { most: LARGEST } } };
  const bytes = new Uint8Array(await file.arrayBuffer());
  blankClipNotes(bytes);
  const blob = new Blob([bytes], { type });
  const address = URL.createObjectURL(blob);
  const video = document.createElement('video');
  video.muted = true;
  video.playsInline = true;
  video.preload = 'auto';
  try {
    video.src = address;
    await event(video, 'loadeddata');
    const seconds = await lengthOf(video);
    if (seconds > LONGEST_CLIP + GRACE)
      return { ok: false, why: { code: 'clipTooLong', params: { seconds, most: LONGEST_CLIP } } };
    const canvas = document.createElement('canvas');
    canvas.width = video.videoWidth;
    canvas.height = video.videoHeight;
    canvas.getContext('2d')?.drawImage(video, 0, 0);
    const still = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.9));
    if (!still) throw new Error('no still');
    return { ok: true, bytes: blob, type, seconds: Math.max(0.1, Math.min(LONGEST_CLIP, seconds)), still };
  } catch {
    // Whatever the browser says of it, it can't be shown, and that is said.
    return { ok: false, why: { code: 'clipUnplayable', params: NONE } };
  } finally {
    video.removeAttribute('src');
    URL.revokeObjectURL(address);
  }
}

/** A recording made live does not know its own length until its end has been looked for. */
async function lengthOf(video: HTMLVideoElement): Promise<number> {
  if (Number.isFinite(video.duration)) return video.duration;
  video.currentTime = 1e7;
  await event(video, 'timeupdate');
  const seconds = Number.isFinite(video.duration) ? video.duration : video.currentTime;
  video.currentTime = 0;
  await event(video, 'seeked');
  return seconds;
}

function event(video: HTMLVideoElement, name: 'loadeddata' | 'timeupdate' | 'seeked'): Promise<void> {
  return new Promise((done, fail) => {
    const timer = setTimeout(() => fail(new Error('too slow')), PATIENCE);
    video.addEventListener(name, () => (clearTimeout(timer), done()), { once: true });
    video.addEventListener('error', () => (clearTimeout(timer), fail(new Error('damaged'))), { once: true });
  });
}
