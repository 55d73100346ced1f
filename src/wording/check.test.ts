import type { FindingCode, FindingParams } from '@/core/listing/findings';

import { findingsWords, findingWords, fixWords } from './check';

/** A sentence for each code; of those that count, one of each form. */
const SAID: { [C in FindingCode]: readonly [FindingParams[C], string][] } = {
  noLongerHere: [[{}, 'It is no longer here to be sold.']],
  choicesNotTaken: [[{ market: 'Moor' }, 'Moor takes no variations: remove them, or leave it out there.']],
  choiceKindsTooMany: [
    [{ market: 'Moor', most: 1, there: 2 }, 'Moor takes 1 option; there are 2.'],
    [{ market: 'Moor', most: 2, there: 3 }, 'Moor takes 2 options; there are 3.'],
  ],
  choicePieces: [
    [{ market: 'Moor', most: 40, there: 1 }, 'Moor takes 2 to 40 pieces to choose from; there is 1.'],
    [{ market: 'Moor', most: 40, there: 41 }, 'Moor takes 2 to 40 pieces to choose from; there are 41.'],
  ],
  choiceTooLong: [[{ text: 'Navy blue', most: 8 }, '“Navy blue” is longer than 8 characters.']],
  choicePrices: [
    [{ min: 100, max: 2_000, currency: 'EUR' }, 'Every piece needs a price from €1.00 to €20.00.'],
  ],
  choiceStock: [[{ market: 'Moor', most: 99 }, 'Moor counts up to 99 of a piece.']],
  choicesOutOfStock: [[{}, 'Nothing of it is in stock.']],
  choicesHeldBack: [[{}, 'All of it is held back: there would be nothing to show.']],
  choicesInAuction: [[{}, 'An auction sells one item: it can’t have variations.']],
  depotOnItsWay: [[{}, 'It is on its way to a depot: nothing can be posted before it is counted there.']],
  depotElsewhere: [
    [{}, 'It is at another marketplace’s depot: if it sells here, it has to be called back first.'],
  ],
  depotComingBack: [[{}, 'It is on its way back from a depot: it can be posted once it is here.']],
  depotMissing: [[{}, 'It was missing when its parcel was counted at the depot: find it before it sells.']],
  picturesNotOwn: [
    [{ count: 1 }, 'One picture is not your own: not sent unless you say you may.'],
    [{ count: 2 }, '2 pictures are not your own: not sent unless you say you may.'],
  ],
  clipTooLarge: [
    [
      { market: 'Moor', seconds: 30, bytes: 12_000_000 },
      'Moor takes clips up to 30 seconds and 12 MB: this one stays here.',
    ],
  ],
  picturesAllWritten: [[{}, 'Every picture has writing on it: covers with writing are refused in places.']],
  coverWritten: [[{}, 'The cover may have writing on it: another picture goes first there.']],
  picturesTooFew: [
    [{ market: 'Moor', least: 3, there: 1 }, 'Moor wants at least 3 pictures; there is 1.'],
    [{ market: 'Moor', least: 1, there: 0 }, 'Moor wants at least 1 picture; there are 0.'],
  ],
  pictureTooSmall: [
    [{ position: 2, least: 500 }, 'Picture 2 is smaller than 500 pixels on its longer side.'],
  ],
  picturesLeftOut: [[{ most: 12 }, 'Only 12 pictures go there: plain details are left out first.']],
  picturesFew: [
    [{ there: 1 }, 'Only 1 picture: six or more sell better.'],
    [{ there: 4 }, 'Only 4 pictures: six or more sell better.'],
  ],
  barcodeMissing: [[{ market: 'Moor' }, 'Moor lists items by their barcode: it needs one.']],
  barcodeUnknown: [[{ market: 'Moor', barcode: '200' }, 'Moor has no record under 200.']],
  recordClosed: [[{ market: 'Moor', barcode: '200' }, 'The record 200 is closed to you on Moor.']],
  kindMissing: [[{}, 'Say what kind of item it is.']],
  readingsWait: [[{}, 'What its pictures say waits to be confirmed: nothing of it is sent.']],
  categoryGone: [[{ market: 'Moor' }, 'Moor no longer has the category chosen: choose another.']],
  categoryUnknown: [
    [{ market: 'Moor' }, 'Moor has no category known for this kind: choose one, or leave it out there.'],
  ],
  useMissing: [[{}, 'Say how much it was used.']],
  conditionNotTaken: [
    [
      {
        market: 'Moor',
        because: { code: 'flaw', params: { type: 'torn', place: 'front', severity: 'broken' } },
      },
      'Moor takes nothing this worn (broken: torn, front).',
    ],
  ],
  titleMissing: [[{}, 'It needs a title.']],
  titleTooLong: [[{ market: 'Moor', length: 90, most: 80 }, 'The title is 90 long; Moor takes 80.']],
  titleShort: [[{ room: 50 }, '50 more characters would fit in the title.']],
  titleShortened: [[{ market: 'Moor', title: 'Jumper' }, 'Too long for Moor: there it is “Jumper”.']],
  descriptionShortened: [
    [{ market: 'Moor', end: 'darned.' }, 'Too long for Moor: there it ends “…darned.”.'],
  ],
  topicsTooMany: [[{ market: 'Moor', there: 7, most: 6 }, '7 topic words; Moor takes 6.']],
  topicTooLong: [[{ word: 'wool', most: 3 }, 'The topic word “wool” is longer than 3.']],
  descriptionMissing: [[{}, 'It needs a description.']],
  descriptionTooShort: [
    [{ market: 'Moor', length: 5, least: 30 }, 'The description is 5 long; Moor wants 30.'],
  ],
  descriptionTooLong: [
    [{ market: 'Moor', length: 500, most: 480 }, 'The description is 500 long; Moor takes 480.'],
  ],
  privateText: [
    [
      { field: 'description', what: { code: 'spot', params: {} }, text: 'A3-12' },
      'The description holds the private spot: “A3-12”.',
    ],
    [
      { field: 'title', what: { code: 'email', params: {} }, text: 'a@b.example' },
      'The title holds an e-mail address: “a@b.example”.',
    ],
    [
      { field: 'title', what: { code: 'phone', params: {} }, text: '0123 456789' },
      'The title holds a phone number: “0123 456789”.',
    ],
    [
      { field: 'title', what: { code: 'webAddress', params: {} }, text: 'www.b.example' },
      'The title holds a web address: “www.b.example”.',
    ],
    [
      { field: 'title', what: { code: 'fact', params: { name: 'Pile' } }, text: 'heap nine' },
      'The title holds your private pile: “heap nine”.',
    ],
  ],
  markup: [[{ field: 'title' }, 'The title holds markup; only plain text goes there.']],
  forbiddenWord: [[{ word: 'replica', why: 'No copies.' }, '“replica” is refused there: No copies.']],
  claimUnsupported: [
    [
      { claim: 'brand new', against: { code: 'used', params: {} } },
      'The description says “brand new”, but it is recorded as used.',
    ],
    [
      { claim: 'nothing missing', against: { code: 'missing', params: { part: 'lid' } } },
      'The description says “nothing missing”, but something is recorded as missing: lid.',
    ],
  ],
  tagsTooMany: [[{ market: 'Moor', there: 14, most: 13 }, '14 words to be found by; Moor takes 13.']],
  tagLength: [[{ tag: 'wool', most: 3 }, '“wool”, to be found by, is empty or longer than 3.']],
  priceMissing: [[{}, 'It needs a price.']],
  priceUnder: [[{ market: 'Moor', amount: 100, currency: 'EUR' }, 'Moor takes no price under €1.00.']],
  priceOver: [[{ market: 'Moor', amount: 100, currency: 'EUR' }, 'Moor takes no price over €1.00.']],
  priceNotRound: [[{}, 'Round prices are easier to pay in cash.']],
  underOwnLeast: [[{ amount: 500, currency: 'EUR' }, 'Under your own least price of €5.00: a slip?']],
  overOwnGreatest: [[{ amount: 500, currency: 'JPY' }, 'Over your own greatest price of JP¥500: a slip?']],
  underFloor: [[{ amount: 500, currency: 'EUR' }, 'Under your floor of €5.00.']],
  otherCurrency: [
    [
      { market: 'Moor', theirs: 'EUR', ours: 'GBP' },
      'Moor sells in EUR, and your amounts are in GBP: it would ask another price.',
    ],
  ],
  postageOver: [[{ market: 'Moor', amount: 2_000, currency: 'EUR' }, 'Moor takes no postage over €20.00.']],
  auctionDays: [[{ market: 'Moor', min: 1, max: 10 }, 'Auctions run 1 to 10 days on Moor.']],
  auctionAgain: [
    [{ market: 'Moor', most: 1 }, 'Put up again 1 time at most on Moor.'],
    [{ market: 'Moor', most: 3 }, 'Put up again 3 times at most on Moor.'],
  ],
  auctionOpening: [
    [{ market: 'Moor', min: 100, max: 900, currency: 'EUR' }, 'Auctions open from €1.00 to €9.00 on Moor.'],
  ],
  auctionOutright: [[{}, 'The outright price has to be above the opening price.']],
  auctionBecomes: [
    [{ min: 100, max: 900, currency: 'EUR' }, 'What it becomes: prices go from €1.00 to €9.00 there.'],
  ],
  auctionUnderFloor: [[{ amount: 500, currency: 'EUR' }, 'It may go under your floor of €5.00.']],
  twin: [[{ market: 'Moor' }, 'Another item of yours is up on Moor under the same title at the same price.']],
  upElsewhere: [
    [{}, 'It is up elsewhere too: with the first bid it may be sold twice. Withdraw it there first.'],
  ],
  allowanceUsed: [[{ market: 'Moor', allowance: 10 }, 'This month’s 10 listings on Moor are used up.']],
  allowanceNearlyUsed: [
    [{ market: 'Moor', allowance: 10, left: 1 }, '1 of this month’s 10 listings on Moor is left.'],
  ],
  promotionRange: [[{ market: 'Moor', minBp: 200, maxBp: 1_500 }, 'Promotion goes from 2 to 15 % on Moor.']],
  extraCategory: [[{ label: 'A second category' }, 'A second category: choose which.']],
  extraLength: [[{ label: 'A subtitle', most: 55 }, 'A subtitle: 1 to 55 characters.']],
  privateSpecific: [
    [
      { label: 'Material', what: { code: 'fact', params: { name: 'Pile' } } },
      'Material holds your private pile.',
    ],
  ],
  specificMissing: [
    [{ market: 'Moor', label: 'Size', listed: true }, 'Moor asks for size from its own list.'],
    [{ market: 'Moor', label: 'Brand', listed: false }, 'Moor asks for brand.'],
  ],
  specificHelps: [[{ label: 'Material' }, 'Material helps buyers there find it.']],
  specificNotListed: [
    [{ market: 'Moor', label: 'Colour', value: 'Petrol' }, '“Petrol” is not on Moor’s list for colour.'],
  ],
  specificTooMany: [[{ label: 'Cloth', most: 3 }, 'Cloth takes 3 values at once there.']],
  specificTooLong: [[{ label: 'Brand', most: 40 }, 'Brand takes 40 characters there.']],
  answerMissing: [[{ market: 'Moor', label: 'Where to meet' }, 'Where to meet: Moor asks.']],
  answerNotListed: [[{ market: 'Moor', answer: 'perhaps' }, '“perhaps” is not one of Moor’s answers.']],
  answerNoNumber: [[{ label: 'How many' }, 'How many: a number.']],
  answerYesOrNo: [[{ label: 'Posted' }, 'Posted: yes or no.']],
  parcelTooLong: [[{ mostMm: 1_200 }, 'Too long for a parcel: at most 120 cm.']],
  parcelTooBulky: [[{ mostMm: 3_000 }, 'Too bulky for a parcel: length and girth at most 300 cm.']],
  parcelTooHeavy: [[{ mostG: 31_500 }, 'Too heavy for a parcel: at most 31.5 kg.']],
  carrierNotThere: [[{}, 'The carrier does not go there.']],
  handlingTooLong: [[{ market: 'Moor', mostDays: 5 }, 'Moor wants items posted within 5 days.']],
  returnDaysNotTaken: [[{ market: 'Moor', days: [14, 30] }, 'Moor takes returns within 14, 30 days.']],
};

it.each(
  Object.entries(SAID).flatMap(([code, all]) => all.map(([params, words]) => ({ code, params, words }))),
)('$code: $words', ({ code, params, words }) =>
  expect(findingWords({ code, params } as Parameters<typeof findingWords>[0])).toBe(words),
);

it('names what a press would do', () => {
  const words = [
    fixWords({ code: 'writeShorter', params: {} }),
    fixWords({ code: 'endAtSentence', params: {} }),
    fixWords({ code: 'askAtLeast', params: { amount: 250, currency: 'EUR' } }),
    fixWords({ code: 'runDays', params: { days: 1 } }),
    fixWords({ code: 'runDays', params: { days: 10 } }),
  ];
  expect(words).toEqual([
    'Write it shorter',
    'End it at a sentence',
    'Ask €2.50 there',
    'Let it run 1 day',
    'Let it run 10 days',
  ]);
});

it('says of several what they have in common, and of those just alike the whole', () => {
  const short = (room: number) => ({ code: 'titleShort' as const, params: { room } });
  expect(findingsWords([short(3), short(40)])).toBe('More would fit in the title.');
  expect(findingsWords([short(3), short(3)])).toBe('3 more characters would fit in the title.');
  expect(findingsWords([])).toBe('');
});
