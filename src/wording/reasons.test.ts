import { BUILT_IN } from '@/core/kinds/tree';

import { sameReason } from './bringIn';
import { categoryReason, kindReason, slipQuestion } from './kinds';
import { rowTrouble } from './money';
import { planeWarning } from './pictures';

it('says what speaks for two listings being one item', () =>
  expect([
    sameReason({ code: 'reference', params: { ref: 'YA-0007' } }),
    sameReason({ code: 'barcode', params: {} }),
    sameReason({ code: 'picture', params: {} }),
    sameReason({ code: 'likePicture', params: {} }),
    sameReason({ code: 'words', params: {} }),
  ]).toEqual([
    'both are “YA-0007”',
    'the same barcode',
    'the same picture',
    'a picture much like it',
    'nearly the same words',
  ]));

it('says why a kind or a category is suggested', () => {
  const named = (shown: string, source: 'record' | 'title' | 'label') =>
    kindReason({ code: 'named', params: { shown, source } }, BUILT_IN);
  expect(named('gansey', 'title')).toBe('“gansey” in the title');
  expect(named('lamp', 'record')).toBe('“lamp” in the catalogue record');
  expect(named('wool', 'label')).toBe('“wool” on the label');
  const asks = { kind: 'jumper', field: 'measure:chest' };
  expect(kindReason({ code: 'asks', params: asks }, BUILT_IN)).toBe(
    '“Pit to pit” was read, which such items have',
  );
  expect(kindReason({ code: 'looks', params: { outline: 'legs' } }, BUILT_IN)).toBe(
    'by its outline, two legs',
  );
  expect(kindReason({ code: 'lately', params: {} }, BUILT_IN)).toBe('as lately');
  expect([
    categoryReason({ code: 'inName', params: { shown: 'knitwear' } }),
    categoryReason({ code: 'nearName', params: { shown: 'knitwear' } }),
    categoryReason({ code: 'likeGoesThere', params: {} }),
    categoryReason({ code: 'chosen', params: {} }),
    categoryReason({ code: 'chosenNearby', params: {} }),
    categoryReason({ code: 'rest', params: {} }),
  ]).toEqual([
    '“knitwear” is in its name',
    '“knitwear” may be near',
    'the like of it goes there',
    'as you chose',
    'you chose it for items like it',
    'it takes whatever finds no other place',
  ]);
});

it('says why a row of a statement was left out', () =>
  expect([
    rowTrouble({ code: 'unknownSort', params: { said: 'magic' } }),
    rowTrouble({ code: 'amountUnread', params: {} }),
    rowTrouble({ code: 'dayOrOrderUnread', params: {} }),
    rowTrouble({ code: 'quoteNotClosed', params: {} }),
    rowTrouble({ code: 'fileTooLong', params: {} }),
  ]).toEqual([
    '“magic” is no sort of line it uses.',
    'The amount could not be read.',
    'The day or order could not be read.',
    'A quotation mark in it is never closed: what comes after it was not read.',
    'The file is too long: from this row on nothing was read. Read it in parts.',
  ]));

it('says what speaks against trusting a measurement', () =>
  expect([
    planeWarning({ code: 'referenceSmall', params: { reference: 'card' } }),
    planeWarning({ code: 'tilted', params: { degrees: 44.6 } }),
    planeWarning({ code: 'farFromReference', params: { reference: 'a4' } }),
  ]).toEqual([
    'The bank card is small in the picture: come closer, or lay a larger sheet beside it.',
    'Tilted by about 45°: hold the camera straight above.',
    'Part of a line is far from the a4 sheet: lay it nearer, flat on the same surface.',
  ]));

it('asks back about a figure that is not usual', () => {
  const types = ['around', 'tenth', 'tenfold', 'inches', 'centimetres', 'unusual'] as const;
  expect(types.map((type) => slipQuestion({ type }))).toEqual([
    'Measured around?',
    'A figure too few?',
    'A figure too many?',
    'Typed in inches?',
    'Typed in centimetres?',
    'Is that right?',
  ]);
});
