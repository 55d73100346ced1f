/** Handbill's own rules, as printed on its help page: there is no way to call it. Invented. */
export const SHEET = {
  marketplace: 'handbill',
  name: 'Handbill',
  letters: 'Hb',
  version: 1,
  currency: 'EUR',
  title: { max: 70, counts: 'characters' },
  description: { min: 0, max: 2_000, counts: 'characters' },
  photos: {
    min: 1,
    max: 6,
    minLongSide: 300,
    maxLongSide: 1_600,
    maxBytes: 2_000_000,
    shape: 'any',
    shownAtOnce: 2,
  },
  price: { min: 100, max: 1_000_000 },
  categories: [
    { id: 'wear', name: 'For wearing', parent: null, leaf: true, specifics: [] },
    { id: 'home', name: 'For the home', parent: null, leaf: true, specifics: [] },
    { id: 'rest', name: 'All the rest', parent: null, leaf: true, specifics: [] },
  ],
  conditions: [
    { code: 'good', label: 'Good as new', wear: 1 },
    { code: 'fair', label: 'Fair', wear: 3 },
    { code: 'poor', label: 'Poor', wear: 5 },
  ],
  fees: {
    rules: [{ type: 'share', label: 'Board fee', bp: 800, of: 'price', least: 50, cap: 4_000 }],
    taxBp: 0,
  },
  forbiddenWords: [],
  questions: [],
  handover: 'post',
};
