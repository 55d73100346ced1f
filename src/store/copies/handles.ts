import { z } from 'zod';

import { FolderTrouble } from '@/contract/copy';

/** What browsers that can keep a folder have beside what all of them have (File System Access). */
export interface KeptFolder extends FileSystemDirectoryHandle {
  queryPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
}

type PickFolder = (how: { id: string; mode: 'readwrite'; startIn: 'documents' }) => Promise<KeptFolder>;

function picker(): PickFolder | null {
  // Not in every browser: looked up, not taken for granted.
  const { showDirectoryPicker } = window as { showDirectoryPicker?: PickFolder };
  return showDirectoryPicker?.bind(window) ?? null;
}

/** Whether this browser can keep a folder. */
export function canKeepFolder(): boolean {
  return picker() !== null;
}

/** The folder a person chooses; null where they choose none. */
export async function pickFolder(): Promise<KeptFolder | null> {
  try {
    return (await picker()?.({ id: 'attic-copies', mode: 'readwrite', startIn: 'documents' })) ?? null;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return null;
    throw error;
  }
}

/** Whether the browser lets the folder be written; `prompt`: once a person says so again. */
export async function permissionOf(folder: KeptFolder): Promise<PermissionState> {
  return (await folder.queryPermission?.({ mode: 'readwrite' })) ?? 'granted';
}

/** Asked by a press of the person’s. */
export async function askPermission(folder: KeptFolder): Promise<PermissionState> {
  return (await folder.requestPermission?.({ mode: 'readwrite' })) ?? 'granted';
}

/** What is kept of a folder beside its handle. */
export const KeptBeside = z.object({
  /** Why the last copy failed, and when; null: it did not. */
  failed: z
    .object({
      at: z.number().nonnegative(),
      why: FolderTrouble,
    })
    .nullable(),
  /** When the last copy was made there. */
  copiedAt: z.number().nonnegative().nullable(),
  /** How many copies are there. */
  copies: z.number().int().nonnegative(),
});
export type KeptBeside = z.infer<typeof KeptBeside>;

/** What a folder said, as a code. */
export function whyOf(error: unknown): FolderTrouble {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError' || name === 'SecurityError') return 'notAllowed';
  if (name === 'NotFoundError') return 'gone';
  if (name === 'QuotaExceededError') return 'full';
  return name === 'NotWhole' ? 'notWhole' : 'other';
}
