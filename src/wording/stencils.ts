import type { StencilPart } from '@/contract/stencil';

/** What a stencil can say, in words. */
export const STENCIL_PART_WORDS: Readonly<Record<StencilPart, string>> = {
  format: 'how it is sold',
  terms: 'terms',
  offers: 'limits of offers',
  promotion: 'promotion',
  extras: 'paid places',
  pictures: 'order of pictures',
  words: 'description',
  start: 'when',
  follow: 'following copies',
};
