import { counted, plural } from './plural';

it.each([
  [0, '0 boxes'],
  [1, '1 box'],
  [2, '2 boxes'],
  [1.5, '1.5 boxes'],
  [21, '21 boxes'],
])('%p is counted as “%s”', (n, words) => expect(counted(n, 'box', 'boxes')).toBe(words));

it('adds an s where nothing else is said', () => {
  expect([counted(1, 'tag'), counted(3, 'tag')]).toEqual(['1 tag', '3 tags']);
  expect(plural(1, 'is', 'are')).toBe('is');
});
