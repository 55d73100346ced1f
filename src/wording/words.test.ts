import { factsFound, leftOutWhy, patternTroubleWords } from './words';

it('says what is wrong with a pattern', () => {
  expect(patternTroubleWords({ code: 'neverClosed', params: { name: 'flaws' } })).toBe(
    '“flaws” is opened with {{#flaws}} and never closed.',
  );
  expect(patternTroubleWords({ code: 'neverOpened', params: { name: 'flaws' } })).toBe(
    '“flaws” is closed with {{/flaws}} but was not opened.',
  );
  expect(patternTroubleWords({ code: 'braces', params: {} })).toBe('A {{ has no }} after it.');
  expect(patternTroubleWords({ code: 'unreadable', params: {} })).toBe('The pattern can’t be read.');
});

it('says what was left out of words brought in, and what was found', () => {
  expect(leftOutWhy({ code: 'otherShop', params: {} })).toBe('another shop’s own words');
  expect(
    leftOutWhy({ code: 'privateThing', params: { what: { code: 'phone', params: {} }, text: '0151' } }),
  ).toBe('a phone number: “0151”');
  expect([factsFound(1), factsFound(2)]).toEqual([
    'One fact was found in it; it waits at the top of the sheet for your word.',
    '2 facts were found in it; they wait at the top of the sheet for your word.',
  ]);
});
