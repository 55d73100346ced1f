import { create } from 'zustand';

import { unlessExpected } from '@/store/base/faults';

/** Where the service worker puts what another app hands over: `scripts/serviceWorker.js`. */
const SHARED = 'attic-shared';

/** A file that was handed over and waits for the person's word. */
export interface SharedFile {
  key: string;
  file: File;
}

/** What was handed over, the first that came first. */
export const useShared = create<{ files: readonly SharedFile[] }>(() => ({ files: [] }));

/** Looks what waits. A browser without such a place has nothing there. */
async function lookForShared(): Promise<void> {
  if (typeof caches === 'undefined' || !(await caches.has(SHARED))) return;
  const cache = await caches.open(SHARED);
  const keys = [...(await cache.keys())].map((request) => request.url).sort();
  const files = await Promise.all(
    keys.map(async (key): Promise<SharedFile[]> => {
      const kept = await cache.match(key);
      if (!kept) return [];
      const blob = await kept.blob();
      return [{ key, file: new File([blob], nameIn(kept), { type: blob.type }) }];
    }),
  );
  useShared.setState({ files: files.flat() });
}

function nameIn(kept: Response): string {
  try {
    return decodeURIComponent(kept.headers.get('x-name') ?? '').slice(0, 200) || 'picture';
  } catch {
    // Whoever handed it over may call it anything.
    return 'picture';
  }
}

/** They were taken, or are not wanted. */
export async function dropShared(files: readonly SharedFile[]): Promise<void> {
  const keys = new Set(files.map((f) => f.key));
  useShared.setState((s) => ({ files: s.files.filter((f) => !keys.has(f.key)) }));
  const cache = await caches.open(SHARED);
  await Promise.all([...keys].map((key) => cache.delete(key)));
}

/** From now on it is seen when something is handed over. @returns stops */
export function watchShared(): () => void {
  const look = () => {
    if (document.visibilityState === 'visible')
      void lookForShared().catch(unlessExpected('looking for shared pictures'));
  };
  look();
  document.addEventListener('visibilitychange', look);
  return () => document.removeEventListener('visibilitychange', look);
}
