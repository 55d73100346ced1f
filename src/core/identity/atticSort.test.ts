import { sortOf } from './atticSort';

it.each([
  ['own-5b6eeb2e099b', 'own'],
  ['demo-0f3a', 'demo'],
  ['trial-0f3a', 'trial'],
  // Attics of before they were told apart, and names that only look alike.
  ['default', 'own'],
  ['demonstration', 'own'],
])('“%s” is of the sort “%s”', (name, sort) => expect(sortOf(name)).toBe(sort));
