import { create } from 'zustand';

import { roomLeft, type Room } from '@/core/storage/room';
import { saveFile } from '@/store/base/files';
import { zipped } from '@/store/base/zip';

import { unsavedBlobs, useAttic } from './attic';

/** Room for pictures in this browser; null while it is not known. */
export const useRoom = create<{ room: Room | null }>(() => ({ room: null }));

/** Looks how much room is left, now and after every so many changes. */
export function watchRoom(): () => void {
  let pictures = -1;
  const look = async () => {
    const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {};
    if (usage !== undefined && quota !== undefined) useRoom.setState({ room: roomLeft(usage, quota) });
  };
  const maybe = () => {
    const now = Object.keys(useAttic.getState().pictures).length;
    if (now === pictures) return;
    pictures = now;
    void look();
  };
  maybe();
  return useAttic.subscribe((state, before) => {
    if (state.savedAt !== before.savedAt && state.savedAt !== null) maybe();
  });
}

/**
 * Pictures that could not be stored go into a file the person keeps: nothing is lost, whatever happens to the
 * page.
 */
export async function saveUnsavedAsFile(): Promise<void> {
  const files: Record<string, Blob> = {};
  const { items, pictures } = useAttic.getState();
  for (const [key, blob] of Object.entries(unsavedBlobs())) {
    const [, id = '', size = ''] = key.split(':');
    const code = items[pictures[id]?.itemId ?? '']?.code ?? 'picture';
    const kind = blob.type.split('/')[1]?.split(';')[0] ?? 'bin';
    files[`${code}-${id}-${size}.${kind === 'jpeg' ? 'jpg' : kind}`] = blob;
  }
  saveFile(await zipped(files), 'pictures-not-stored.zip');
}
