import {
  CallTrouble,
  CommandRefusal,
  OwnReason,
  WriteTrouble,
  type CallTroubleParams,
} from '@/contract/troubles';

import {
  letInTrouble,
  notWritten,
  reasonsWords,
  reasonWords,
  refusalWords,
  troubleWords,
  writeTrouble,
} from './courier';

const REFUSED: Record<CommandRefusal, string> = {
  notConnected: 'That marketplace is not connected.',
  notListed: 'It is not listed there.',
  beingWithdrawn: 'It is being withdrawn already.',
  soldAlready: 'It is sold already.',
  soldSoNotSent: 'It is sold already, so it was not sent.',
  nothingToShow: 'All that is left of it is held back: there would be nothing to show.',
  promisedSoNotSent: 'It is promised to somebody, so it was not sent.',
  withdrawFirst: 'It is being withdrawn there; send it again once it is gone.',
  onItsWay: 'It is on its way there already.',
  changeOnItsWay: 'The last change is still on its way there; send again in a moment.',
  courierDoesThat: 'The courier does that there by itself.',
  nothingWaits: 'Nothing waits to be put up there.',
  notPlanned: 'It no longer waits for its time: it is on its way, or up.',
  noSecondSale: 'There is no such second sale.',
  noSuchSale: 'There is no such sale.',
  stillComingDown: 'It is still being taken down elsewhere; say so again once it is gone.',
  neverListed: 'The courier knows of no such item: it was never listed.',
  promisedAlready: 'It is promised already.',
  notPromised: 'It is not promised.',
  nobodyToAsk: 'Nobody can ask that marketplace what it shows.',
  itemSoldAlready: 'That item is sold already.',
  listedAlready: 'That item has a listing there already.',
  belongsAlready: 'That listing belongs to an item already.',
};

it.each(CommandRefusal.options)('a command: %s', (refusal) =>
  expect(refusalWords({ refusal })).toBe(REFUSED[refusal]),
);
it('an earlier courier’s words stand as they are', () => {
  expect(refusalWords({ why: 'Not now.' })).toBe('Not now.');
  expect(refusalWords({})).toBe('The courier did not take it.');
  expect(troubleWords('Closed for repairs.')).toBe('Closed for repairs.');
});

const TROUBLE: { [C in keyof CallTroubleParams]: [CallTroubleParams[C], string] } = {
  noAnswer: [{}, 'No answer in time.'],
  brokeOff: [{}, 'The connection broke off.'],
  unreadable: [{}, 'The answer could not be read.'],
  notAsAgreed: [{}, 'The answer was not what was agreed.'],
  slowDown: [{}, 'It asked us to slow down.'],
  keyRefused: [{}, 'It no longer lets us in: it needs a new code.'],
  closed: [{}, 'It is closed just now.'],
  status: [{ status: 418 }, 'It answered with an error (418).'],
  notConnected: [{}, 'That marketplace is not connected.'],
  endlessList: [{}, 'Its list of listings has no end.'],
  pictureGone: [{}, 'The picture is not there any more.'],
  pictureTooLarge: [{ most: 8_000_000 }, 'The picture is over 8 MB.'],
  pictureNotFetched: [{}, 'The picture could not be fetched.'],
  stillWorkedThrough: [{}, 'Its list is still being worked through.'],
  soldToNobody: [{}, 'The shop says that it is sold, but not to whom.'],
  byHand: [{}, 'Nobody can call there: a person does it by hand.'],
  ourFault: [{}, 'Something went wrong here, not there: it is in the server’s log.'],
  answerNotRead: [{}, 'Its answer could not be read: it is in the server’s log.'],
};

it.each(Object.entries(TROUBLE))('a call: %s', (code, [params, words]) => {
  // It goes through the ledger and over the wire in between.
  const read = CallTrouble.parse(JSON.parse(JSON.stringify({ code, params })));
  expect(troubleWords(read)).toBe(words);
});
it('no code that is not ours passes for one', () => {
  expect(CallTrouble.safeParse({ code: 'made up', params: {} }).success).toBe(false);
  expect(CallTrouble.safeParse({ code: 'status', params: {} }).success).toBe(false);
});

it('reasons are the marketplace’s own, or by a code of ours', () => {
  const ours = OwnReason.options.map((code) => reasonWords({ field: '', message: '', code }));
  expect(ours).toEqual([
    'It was brought in and never sent from here: look at it, and send it to put it up again.',
    'It was found to be no longer shown there.',
    'It is not there any more.',
    'Its place there ran out unsold.',
    'Turned down without a reason.',
    'A picture of it got lost on the server: send it again.',
  ]);
  expect(
    reasonsWords([
      { field: 'title', message: 'Too long.' },
      { field: '', message: '', code: 'notShownThere' },
    ]),
  ).toBe('Too long. It was found to be no longer shown there.');
});

it('says why the ledger can’t be written', () => {
  expect(WriteTrouble.options.map(writeTrouble)).toEqual([
    'the disk is full',
    'the disk does not take what is written',
    'the ledger is read-only',
    'another program has locked the ledger',
    'the ledger is damaged',
    'the ledger can’t be opened',
  ]);
  expect(notWritten('full')).toBe(
    'The courier cannot write: the disk is full. Nothing was sent or changed; try again once that ' +
      'is put right.',
  );
});

it('says why a marketplace does not let us in', () =>
  expect((['notNeeded', 'noAnswer', 'codeRefused', 'notAsAgreed'] as const).map(letInTrouble)).toEqual([
    'Nobody needs to be let in there.',
    'It does not answer just now. Nothing was changed; try again later.',
    'That code is wrong or too old. Fetch another one there; nothing was changed.',
    'It did not answer as agreed. Nothing was changed.',
  ]));
