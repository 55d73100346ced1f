import type { CollectionName } from '@/contract/records';

/**
 * How a field of a record is parted into registers. A field that is not named is one register, about which
 * two people may disagree.
 *
 * - `entries`: what stands under each name is a register of its own; `deep`: two names down
 * - `list`: so is each of several, known by `by`; their order is one, too. `by` null: by itself
 * - `log`: several that are only ever added to, in the order of their times
 * - `latest`: nobody's word, but worked out or fetched: what came last stands, and nobody is asked
 */
export type Shape =
  { as: 'entries' | 'deep' | 'log' | 'latest' | 'whole' } | { as: 'list'; by: string | null };

const entries: Shape = { as: 'entries' };
const deep: Shape = { as: 'deep' };
const log: Shape = { as: 'log' };
const latest: Shape = { as: 'latest' };
const names: Shape = { as: 'list', by: null };
const listBy = (by: string): Shape => ({ as: 'list', by });

type Shapes = Readonly<Record<string, Shape>>;
export type Synced = CollectionName | 'settings';

export const SHAPES: Readonly<Partial<Record<Synced, Shapes>>> = {
  items: {
    facts: entries,
    parked: deep,
    measurements: entries,
    uncertainty: entries,
    measuredBy: entries,
    readFrom: entries,
    written: entries,
    flaws: listBy('id'),
    readings: listBy('id'),
    dropped: names,
    holds: listBy('from'),
    groupIds: names,
    pictureIds: names,
    skippedShots: names,
    ranks: latest,
    lookedUp: latest,
    updatedAt: latest,
  },
  pictures: { exam: latest, read: latest, beside: latest, awaits: latest, bytes: latest },
  hauls: { lines: listBy('id') },
  plans: {
    specifics: entries,
    answers: entries,
    extras: entries,
    tags: names,
    pictureIds: names,
    ownParts: names,
    waived: listBy('key'),
    followed: latest,
    sentMedia: latest,
  },
  diary: { lines: log },
  forms: { order: names, hidden: names },
  research: { at: latest, comps: latest, missing: latest, byHand: entries, leftOut: names },
  mappings: { fields: entries, values: deep },
  stencils: { extras: entries },
  settings: {
    remembered: deep,
    phrases: names,
    likeParts: names,
    markdowns: entries,
    lastCategories: latest,
    rates: latest,
    meetingPlaces: names,
    savedAnswers: listBy('id'),
    tables: latest,
    lessons: listBy('id'),
    rulesSeen: latest,
  },
};

/**
 * Fields that are one register together: what belongs to one decision. The first gives it its name; the rest
 * are paths, as they would be by themselves.
 */
export const TOGETHER: Readonly<Partial<Record<Synced, readonly (readonly string[])[]>>> = {
  items: [
    ['title', 'written/title'],
    ['description', 'written/description'],
    ['code', 'number'],
  ],
  pictures: [
    ['shows', 'showsBy'],
    ['steps', 'undone', 'width', 'height'],
  ],
};
