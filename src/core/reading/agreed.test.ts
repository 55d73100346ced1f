import { agreed } from './agreed';
import type { Suggestion } from './lines';

const said = (field: string, value: string, more: Partial<Suggestion> = {}): Suggestion => ({
  field,
  value,
  words: value,
  box: [0, 0, 1, 1],
  confidence: 80,
  ...more,
});

it('is as sure as the surer of two that have the same', () => {
  const page = [
    said('measure:chest', '540', { doubt: 'unusual' }),
    said('fact:size', 'M', { confidence: 60 }),
  ];
  const line = [said('measure:chest', '540'), said('fact:size', 'm', { confidence: 90 })];
  expect(agreed(page, line)).toEqual([
    { ...said('measure:chest', '540'), doubt: undefined },
    { ...said('fact:size', 'm', { confidence: 90 }), doubt: undefined },
  ]);
});

it('doubts what two read otherwise; of lengths it takes the usual, or what the reader of hands has', () => {
  const one = (page: Suggestion, line: Suggestion) => agreed([page], [line])[0];
  expect(one(said('measure:chest', '540'), said('measure:chest', '570'))).toMatchObject({
    value: '570',
    doubt: 'readOtherwise',
  });
  expect(one(said('measure:chest', '540'), said('measure:chest', '190', { doubt: 'unusual' }))).toMatchObject(
    {
      value: '540',
      doubt: 'readOtherwise',
    },
  );
  expect(one(said('fact:brand', 'Dunnock'), said('fact:brand', 'Dunnoek', { confidence: 70 }))).toMatchObject(
    {
      value: 'Dunnock',
      doubt: 'readOtherwise',
    },
  );
});

it('doubts a figure that only one has, unless it was very sure of it', () => {
  const doubts = (page: Suggestion[], line: Suggestion[]) => agreed(page, line).map((s) => s.doubt);
  const other = said('fact:country', 'Portugal');
  expect(doubts([said('weight', '540'), other], [other])).toEqual(['readOtherwise', undefined]);
  expect(doubts([other], [other, said('weight', '540', { weakest: 70 })])).toEqual([
    undefined,
    'readOtherwise',
  ]);
  expect(doubts([other], [other, said('weight', '540', { weakest: 99 })])).toEqual([undefined, undefined]);
  expect(doubts([], [other])).toEqual([undefined]);
});

it('keeps several flaws apart', () =>
  expect(
    agreed([said('flaw', 'small hole')], [said('flaw', 'small hole'), said('flaw', 'stain')]),
  ).toHaveLength(2));
