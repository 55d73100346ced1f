import { meetingHints } from './hints';

const of = (part: Partial<Parameters<typeof meetingHints>[0]> = {}) =>
  meetingHints({
    item: { weightG: 400, facts: {} },
    meet: { place: 'Harbour steps', pay: 'cash', amount: 2_000 },
    hour: 15,
    missed: 0,
    ...part,
  }).map((h) => h.code);
const meet = { place: 'Harbour steps', pay: 'cash' as const, amount: 2_000 };

// Common practice of sales between strangers; the hours and amounts are ours.
describe('hints for a meeting', () => {
  it('are none for a small thing at a public place by day', () => expect(of()).toEqual([]));
  it.each([
    ['a transfer', { meet: { ...meet, pay: 'transfer' as const } }, 'transferFirst'],
    ['much cash', { meet: { ...meet, amount: 5_000 } }, 'countThere'],
    ['one’s own door', { meet: { ...meet, place: 'My own door' } }, 'publicPlace'],
    ['the evening', { hour: 18 }, 'afterDark'],
    ['early morning', { hour: 6 }, 'afterDark'],
    ['what can be tried out', { item: { weightG: 400, facts: { works: 'Yes' } } }, 'tryThere'],
    ['what is heavy', { item: { weightG: 15_000, facts: {} } }, 'bringHelp'],
    ['one who did not come before', { missed: 1 }, 'missedBefore'],
  ])('fit %s', (_, part, code) => expect(of(part)).toEqual([code]));
  it('begin with what weighs most', () => {
    expect(of({ missed: 2, hour: 22, meet: { ...meet, pay: 'transfer' } })).toEqual([
      'missedBefore',
      'transferFirst',
      'afterDark',
    ]);
  });
});
