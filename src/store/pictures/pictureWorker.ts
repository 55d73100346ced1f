import type { Remote } from 'comlink';

import { keptWorker } from '@/store/base/workers';
import type { PictureWorker } from '@/workers/picture.worker';

const worker = keptWorker<PictureWorker>(
  'working on a picture',
  () => new Worker(new URL('../../workers/picture.worker.ts', window.location.href)),
);

/** The worker that handles pixels; started when first needed. */
export function pictureWorker(): Remote<PictureWorker> {
  return worker.ask;
}
