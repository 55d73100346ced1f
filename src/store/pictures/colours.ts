import type { Item, Picture } from '@/contract/records';
import { plainerColour } from '@/core/colour/choice';
import type { SeenColours } from '@/core/colour/seen';
import { kindsNow } from '@/store/items/kinds';

import type { Found } from './readings';

/** How sure the naming is, on the readers' scale. */
const CONFIDENCE = { sure: 90, doubtful: 60 } as const;

/**
 * The item's colour as its front shows it, for a person to confirm: where none is known or waits, and its
 * kind has one.
 */
export function colourOfFront(item: Item, picture: Picture, seen: SeenColours): Found[] {
  const isFirst = item.pictureIds.every((id) => id === picture.id);
  const isFront = picture.shows === 'front' || (picture.shows === '' && isFirst);
  const isKnown = item.facts.colour !== undefined || item.readings.some((r) => r.field === 'fact:colour');
  return isFront && !isKnown ? colourIn(item, picture, seen) : [];
}

/**
 * The colours of the item in a picture, in words the kind takes.
 *
 * @param seen what the picture's examination says of them
 */
function colourIn(item: Item, { exam }: Pick<Picture, 'exam'>, { names, isDoubtful }: SeenColours): Found[] {
  const kinds = kindsNow();
  const spec = kinds.fact(item.kind, 'colour');
  if (!exam || (item.kind !== '' && !spec)) return [];
  const doubt = exam.outlined ? 'light' : 'outline';
  const choices = spec?.closed ? spec.choices : undefined;
  const said = names.map((name) => (choices ? plainerColour(name, choices) : name));
  const told = said.filter((name) => name !== null);
  if (told.length === 0) return [];
  // A closed list takes one of its words.
  const value = choices ? told.slice(0, 1) : told.map((name, i) => (i === 0 ? name : name.toLowerCase()));
  return [
    {
      field: 'fact:colour',
      value: value.join(' and '),
      words: 'its colour',
      box: exam.box,
      confidence: isDoubtful ? CONFIDENCE.doubtful : CONFIDENCE.sure,
      doubt: isDoubtful ? doubt : null,
    },
  ];
}
