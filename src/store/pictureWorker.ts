import { wrap, type Remote } from 'comlink';

import type { PictureWorker } from '@/workers/picture.worker';

let worker: Remote<PictureWorker> | null = null;

/** The worker that handles pixels; started when first needed. */
export function pictureWorker(): Remote<PictureWorker> {
  worker ??= wrap<PictureWorker>(new Worker(new URL('../workers/picture.worker.ts', window.location.href)));
  return worker;
}
