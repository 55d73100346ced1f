/** Nearstile's own rules: a local board, items are collected. Invented. */
const plain = (id: string, name: string) => ({ id, name, parent: null, leaf: true, specifics: [] });

export const PLACES = ['Harbour steps', 'Market cross', 'Station forecourt', 'My own door'];

/** Boards of the quarters around. */
export const BOARDS = ['Saltreach', 'Netmakers’ Row', 'Upper Fennick', 'The Long Quay'];

export const SHEET = {
  marketplace: 'nearstile',
  name: 'Nearstile',
  letters: 'Ns',
  version: 1,
  currency: 'EUR',
  title: { max: 64, counts: 'characters' },
  description: { min: 0, max: 1_500, counts: 'characters' },
  photos: {
    min: 1,
    max: 10,
    minLongSide: 400,
    maxLongSide: 1_280,
    maxBytes: 1_500_000,
    shape: 'any',
    shownAtOnce: 3,
  },
  tags: { max: 5, longest: 20 },
  price: { min: 0, max: 500_000 },
  categories: [
    plain('clothing', 'Clothing'),
    plain('indoors', 'Indoors'),
    plain('shed', 'Shed and garden'),
    plain('pastimes', 'Pastimes'),
    plain('other', 'Anything else'),
  ],
  conditions: [
    { code: 'new', label: 'As new', wear: 1 },
    { code: 'used', label: 'Used', wear: 3 },
    { code: 'fix', label: 'Wants fixing', wear: 5 },
  ],
  fees: { rules: [{ type: 'extra', id: 'seen', label: 'Shown higher up', amount: 75, by: 'day' }], taxBp: 0 },
  forbiddenWords: [
    { word: 'postage', why: 'items are handed over in person here' },
    { word: 'swap', why: 'swaps have a board of their own' },
  ],
  questions: [
    {
      id: 'place',
      label: 'Where to meet',
      help: 'Buyers see it with the ad.',
      type: 'choice',
      choices: PLACES,
      about: 'meetingPlace',
      required: true,
    },
    {
      id: 'boards',
      label: 'Boards of other quarters',
      help: 'Shown there, too. More than two look like a crowd.',
      type: 'several',
      choices: BOARDS,
      required: false,
    },
    {
      id: 'acquaintances',
      label: 'Show it to people who know you',
      type: 'yesNo',
      required: false,
    },
  ],
  handover: 'collect',
};
