import type { Remote } from 'comlink';

import { keptWorker } from '@/store/base/workers';
import type { PictureWorker } from '@/workers/picture.worker';

const started = (doing: string) =>
  keptWorker<PictureWorker>(
    doing,
    () => new Worker(new URL('../../workers/picture.worker.ts', window.location.href)),
  );

const worker = started('working on a picture');
const reading = started('reading a picture');

/** The worker that handles pixels; started when first needed. */
export function pictureWorker(): Remote<PictureWorker> {
  return worker.ask;
}

/** Another of the same for what is done in the background: what a person waits for is not behind it. */
export function readingWorker(): Remote<PictureWorker> {
  return reading.ask;
}
