/** The seller's own shop: what Lanternyard, which hosts it, asks and keeps. Invented. */
export const SHEET = {
  marketplace: 'lanternyard',
  name: 'Lanternyard',
  letters: 'Ly',
  version: 1,
  statement: {
    separator: ',',
    decimal: '.',
    columns: { order: 'order', sort: 'line', amount: 'eur', day: 'date' },
    sorts: {
      sale: 'goods',
      postage: 'postage',
      fee: 'card cost',
      back: 'refund',
      feeBack: 'card cost back',
      payout: 'to your bank',
    },
  },
  currency: 'EUR',
  title: { max: 140, counts: 'characters' },
  description: { min: 0, max: 10_000, counts: 'characters', markup: ['p', 'br', 'ul', 'li', 'b'] },
  photos: {
    min: 1,
    max: 20,
    minLongSide: 400,
    maxLongSide: 2_400,
    maxBytes: 6_000_000,
    shape: 'any',
    shownAtOnce: 6,
  },
  price: { min: 0, max: 5_000_000 },
  categories: [
    { id: 'shop', name: 'In the shop', parent: null, leaf: true, specifics: [] },
    { id: 'corner', name: 'Odd corner', parent: null, leaf: true, specifics: [] },
  ],
  conditions: [
    { code: 'asNew', label: 'As new', wear: 1 },
    { code: 'good', label: 'Good', wear: 3 },
    { code: 'worn', label: 'Worn', wear: 5 },
  ],
  fees: {
    rules: [
      { type: 'share', label: 'Card payment', bp: 160, of: 'total' },
      { type: 'fixed', label: 'Card payment, an order', amount: 22 },
    ],
    taxBp: 0,
  },
  forbiddenWords: [],
  questions: [],
  handover: 'post',
  terms: { takes: ['further', 'handlingDays', 'returnDays'] },
  search: { title: 60, description: 155 },
};
