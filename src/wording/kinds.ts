import type { Wording } from '@/contract/coded';
import type { KindReason, KindReasonParams } from '@/core/kinds/rank';
import type { Slip } from '@/core/kinds/slips';
import type { Outline } from '@/core/kinds/spec';
import type { KindSuggestion } from '@/core/kinds/suggest';
import type { KindTree } from '@/core/kinds/tree';
import type { CategoryReason, CategoryReasonParams } from '@/core/mapping/shelves';

import { worded } from './worded';

const PLACES: Readonly<Record<KindSuggestion['because']['source'], string>> = {
  record: 'in the catalogue record',
  title: 'in the title',
  label: 'on the label',
};

const LOOKS: Readonly<Record<Outline, string>> = {
  sleeves: 'two sleeves beside a body',
  legs: 'two legs',
  flared: 'wider towards the hem',
  block: 'four straight sides',
  disc: 'round all over',
  low: 'low, and lower at one end',
  brim: 'a crown above a brim',
  upright: 'upright and slender',
};

/** What a reading is of, as the person knows it: `fact:size` is "Size". */
export function fieldName(field: string, kind: string, kinds: KindTree): string {
  const own = OWN_FIELDS[field];
  if (own !== undefined) return own;
  const [what, id = ''] = field.split(':');
  if (what === 'fact') return kinds.factName(kind, id);
  // Before the kind is known it is one of any kind's.
  const asked = kinds.get(kind) ? kinds.measures(kind) : kinds.measureSets.flat();
  return asked.find((m) => m.id === id)?.name ?? id;
}

const OWN_FIELDS: Readonly<Record<string, string>> = {
  kind: 'Kind',
  title: 'Title',
  weight: 'Weight',
  flaw: 'Flaw',
};

/** @param kinds names what a kind is asked */
const whyKind = (kinds: KindTree): Wording<KindReasonParams> => ({
  named: ({ shown, source }) => `“${shown}” ${PLACES[source]}`,
  asks: ({ kind, field }) => `“${fieldName(field, kind, kinds)}” was read, which such items have`,
  looks: ({ outline }) => `by its outline, ${LOOKS[outline]}`,
  lately: () => 'as lately',
});

/** Why a kind is offered: "“gansey” in the title". */
export const kindReason = (reason: KindReason, kinds: KindTree): string => worded(whyKind(kinds), reason);

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
