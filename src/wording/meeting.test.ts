import {
  buyerPastWords,
  meetingHintWords,
  meetingMessage,
  meetingSoonWords,
  reminderMessage,
} from './meeting';

// 5 December 2026 is a Saturday (ISO 8601 week 49).
const meet = {
  place: 'Harbour steps',
  at: new Date(2026, 11, 5, 15, 30).getTime(),
  pay: 'cash' as const,
  amount: 8_500,
};

it('tells a buyer where and when, for how much, and how', () => {
  expect(meetingMessage('Ines', meet, 'EUR')).toBe(
    'Hello Ines, it is promised to you. Let us meet on Saturday 5 December at 15:30: Harbour steps. ' +
      'It comes to €85.00 in cash. Please write if that does not suit you.',
  );
  expect(meetingMessage('Ines', { ...meet, pay: 'transfer' }, 'EUR')).toContain(
    '€85.00 by transfer before we meet',
  );
});

it('reminds on the day, or before it', () => {
  expect(reminderMessage('Ines', meet, 'EUR', true)).toBe(
    'Hello Ines, see you today at 15:30: Harbour steps. €85.00 in cash, please.',
  );
  expect(reminderMessage('Ines', { ...meet, pay: 'transfer' }, 'EUR', false)).toBe(
    'Hello Ines, see you on Saturday 5 December at 15:30: Harbour steps. €85.00 by transfer, please.',
  );
});

it('tells the seller what to take along', () => {
  const about = { who: '', meet, name: 'YA-0012 gansey', spot: 'A3-12' };
  expect(meetingSoonWords(about, 'EUR')).toBe(
    'Meeting somebody at 15:30, Harbour steps: YA-0012 gansey, from A3-12. €85.00 in cash.',
  );
});

it('says of a buyer what they did before, and nothing of one who comes first', () => {
  const lastAt = meet.at;
  expect(buyerPastWords({ bought: 2, haggled: 0, missed: 0, lastAt })).toBe(
    'Here before: bought twice, never haggled; last 5 Dec 2026.',
  );
  expect(buyerPastWords({ bought: 0, haggled: 1, missed: 3, lastAt })).toBe(
    'Here before: bought nothing yet, haggled once, did not come 3 times; last 5 Dec 2026.',
  );
  expect(buyerPastWords({ bought: 0, haggled: 0, missed: 0, lastAt: null })).toBeNull();
});

it('gives each hint in words', () => {
  const none = {};
  const words = [
    meetingHintWords({ code: 'bringHelp', params: { weightG: 18_400 } }),
    meetingHintWords({ code: 'missedBefore', params: { times: 1 } }),
    ...(['transferFirst', 'countThere', 'publicPlace', 'afterDark', 'tryThere'] as const).map((code) =>
      meetingHintWords({ code, params: none }),
    ),
  ];
  expect(words[0]).toContain('18 kg');
  expect(words[1]).toContain('did not come once');
  expect(new Set(words).size).toBe(7);
});
