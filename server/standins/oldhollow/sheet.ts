/** Oldhollow's own rules: items at least 25 years old, and collectables. Invented. */
const DECADES = [
  'Before 1900',
  '1900s',
  '1910s',
  '1920s',
  '1930s',
  '1940s',
  '1950s',
  '1960s',
  '1970s',
  '1980s',
  '1990s',
];

const fields = [
  { id: 'decade', label: 'Decade made', need: 'required', choices: DECADES },
  { id: 'brand', label: 'Maker', need: 'recommended', maxLength: 60 },
  { id: 'material', label: 'Made of', need: 'recommended', maxLength: 60, most: 4 },
];
const room = (id: string, name: string) => ({ id, name, parent: null, leaf: true, specifics: fields });

export const SHEET = {
  marketplace: 'oldhollow',
  name: 'Oldhollow',
  letters: 'Oh',
  version: 1,
  statement: {
    separator: ',',
    decimal: '.',
    columns: { order: 'number', sort: 'matter', amount: 'amount', day: 'date' },
    sorts: {
      sale: 'found a home',
      postage: 'carriage',
      fee: 'kept',
      back: 'restored to buyer',
      feeBack: 'kept, restored',
      payout: 'remitted',
    },
  },
  currency: 'EUR',
  title: { max: 110, counts: 'characters' },
  description: { min: 40, max: 6_000, counts: 'characters' },
  tags: { max: 9, longest: 24 },
  photos: {
    min: 2,
    max: 10,
    minLongSide: 800,
    maxLongSide: 2_400,
    maxBytes: 5_000_000,
    shape: 'any',
    shownAtOnce: 4,
  },
  price: { min: 300, max: 2_000_000 },
  categories: [
    room('worn', 'Worn long ago'),
    room('parlour', 'Parlour and kitchen'),
    room('lamps', 'Lamps'),
    room('works', 'Tools and instruments'),
    room('paper', 'Paper and print'),
    room('play', 'Play and pastime'),
    room('cabinet', 'Cabinet pieces'),
  ],
  conditions: [
    { code: 'kept', label: 'Kept as new', wear: 1 },
    { code: 'mellow', label: 'Mellowed', wear: 2 },
    { code: 'marked', label: 'Marked by time', wear: 4 },
    { code: 'wreck', label: 'For restoring', wear: 5 },
  ],
  fees: {
    rules: [
      { type: 'listing', label: 'Place on the shelf, 90 days', amount: 22, days: 90, freeAMonth: 0 },
      {
        type: 'tiers',
        label: 'Oldhollow’s share',
        of: 'price',
        tiers: [
          { upTo: 10_000, bp: 950 },
          { upTo: 100_000, bp: 700 },
          { upTo: null, bp: 400 },
        ],
      },
      { type: 'share', label: 'Payment', bp: 310, of: 'total' },
      { type: 'fixed', label: 'Payment, an order', amount: 25 },
    ],
    taxBp: 2_000,
  },
  forbiddenWords: [{ word: 'reproduction', why: 'only the real old item' }],
  questions: [
    {
      id: 'corner',
      label: 'Section of your corner',
      help: 'Where it stands in your own corner of Oldhollow. Leave it open if you have none.',
      type: 'text',
      required: false,
    },
    {
      id: 'certificate',
      label: 'Number of its certificate',
      help: 'Where somebody vouched for it in writing: figures only.',
      type: 'number',
      required: false,
    },
  ],
  handover: 'post',
  postageMost: 50_000,
  terms: {
    maxHandlingDays: 20,
    returnDays: [0, 7, 14, 30],
    takes: ['abroad', 'handlingDays', 'returnDays', 'returnsPaidBy', 'payment', 'taxBp', 'collect'],
  },
  auction: { minDays: 1, maxDays: 10, again: 3, open: { min: 300, max: 2_000_000 } },
};
