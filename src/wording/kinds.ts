import type { Wording } from '@/contract/coded';
import type { Slip } from '@/core/kinds/slips';
import type { KindSuggestion } from '@/core/kinds/suggest';
import type { CategoryReason, CategoryReasonParams } from '@/core/mapping/shelves';

import { worded } from './worded';

const PLACES: Readonly<Record<KindSuggestion['because']['source'], string>> = {
  record: 'in the catalogue record',
  title: 'in the title',
  label: 'on the label',
};

/** Why a kind is suggested: "“gansey” in the title". */
export const kindReason = ({ shown, source }: KindSuggestion['because']): string =>
  `“${shown}” ${PLACES[source]}`;

const CATEGORIES: Wording<CategoryReasonParams> = {
  inName: ({ shown }) => `“${shown}” is in its name`,
  nearName: ({ shown }) => `“${shown}” may be near`,
  likeGoesThere: () => 'the like of it goes there',
  chosen: () => 'as you chose',
  chosenNearby: () => 'you chose it for items like it',
  rest: () => 'it takes whatever finds no other place',
};

/** Why a marketplace's category may be the one. */
export const categoryReason = (reason: CategoryReason): string => worded(CATEGORIES, reason);

/** What may have happened to a figure that is not usual, asked back. */
const SLIPS: Readonly<Record<Slip['type'], string>> = {
  around: 'Measured around?',
  tenth: 'A figure too few?',
  tenfold: 'A figure too many?',
  inches: 'Typed in inches?',
  centimetres: 'Typed in centimetres?',
  unusual: 'Is that right?',
};

export const slipQuestion = ({ type }: Pick<Slip, 'type'>): string => SLIPS[type];
