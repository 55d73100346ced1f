import type { ReadLine } from '@/contract/picture';

import { kindWords } from './kindWords';

const picture = (shows: string, ...texts: [text: string, confidence?: number][]) => ({
  shows,
  read: {
    page: texts.map(([text, confidence = 90]): ReadLine => ({ text, confidence, box: [0, 0, 1, 0.1] })),
    line: [],
  },
});

it('takes what stands on boxes and spines, not what a thing is made of, by whom, or how long it is', () => {
  const label = picture('label', ['85% WOOL'], ['Fern Mills'], ['Field guide to moths'], ['b0okcase', 40]);
  const board = picture('board', ['hole at the cuff']);
  expect(kindWords([label, board, { shows: '', read: null }], ['fern mills'])).toEqual([
    'Field guide to moths',
  ]);
});
