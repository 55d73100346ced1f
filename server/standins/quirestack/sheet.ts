/** Quirestack's own rules: books, music, film and games, against catalogue records. Invented. */
const rack = (id: string, name: string) => ({
  id,
  name,
  parent: null,
  leaf: true,
  specifics: [{ id: 'barcode', label: 'Barcode', need: 'required', maxLength: 14 }],
});

export const SHEET = {
  marketplace: 'quirestack',
  name: 'Quirestack',
  letters: 'Qs',
  version: 1,
  statement: {
    separator: ';',
    decimal: '.',
    columns: { order: 'ORDER', sort: 'CODE', amount: 'AMOUNT', day: 'DAY' },
    sorts: { sale: 'S1', postage: 'S2', fee: 'W1', back: 'R1', feeBack: 'R2', payout: 'T1' },
  },
  currency: 'EUR',
  title: { max: 200, counts: 'characters' },
  description: { min: 0, max: 600, counts: 'characters' },
  photos: {
    min: 0,
    max: 4,
    minLongSide: 400,
    maxLongSide: 1_200,
    maxBytes: 1_000_000,
    shape: 'any',
    shownAtOnce: 1,
  },
  price: { min: 50, max: 50_000 },
  categories: [
    rack('pages', 'Books'),
    rack('sound', 'Music'),
    rack('screen', 'Film'),
    rack('table', 'Games'),
  ],
  conditions: [
    { code: 'A', label: 'Unopened', wear: 0 },
    { code: 'B', label: 'Read with clean hands', wear: 1 },
    { code: 'C', label: 'Read', wear: 2 },
    { code: 'D', label: 'Much read', wear: 4, categories: ['pages', 'sound', 'screen'] },
  ],
  fees: {
    rules: [
      { type: 'share', label: 'Share of the order', bp: 1_350, of: 'total', least: 60 },
      { type: 'fixed', label: 'Handling, printed', amount: 75, categories: ['pages'] },
      {
        type: 'fixed',
        label: 'Handling, discs and boxes',
        amount: 95,
        categories: ['sound', 'screen', 'table'],
      },
      { type: 'depot', label: 'Stored and posted by the depot', amount: 190 },
    ],
    taxBp: 2_000,
  },
  forbiddenWords: [],
  questions: [],
  handover: 'post',
  quantity: { most: 99 },
  postageCharged: 280,
  depot: true,
};
