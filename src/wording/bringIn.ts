import type { Wording } from '@/contract/coded';
import type { SameReason, SameReasonParams } from '@/core/bringIn/sameItem';

import { worded } from './worded';

const SAME: Wording<SameReasonParams> = {
  reference: ({ ref }) => `both are “${ref}”`,
  barcode: () => 'the same barcode',
  picture: () => 'the same picture',
  likePicture: () => 'a picture much like it',
  words: () => 'nearly the same words',
};

/** What speaks for two listings being one item. */
export const sameReason = (reason: SameReason): string => worded(SAME, reason);
