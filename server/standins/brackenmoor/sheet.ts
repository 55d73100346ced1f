/** Brackenmoor's own rules. Invented; see its validator for how they are enforced. */

const COLOURS = [
  'Black',
  'White',
  'Grey',
  'Blue',
  'Green',
  'Brown',
  'Red',
  'Orange',
  'Yellow',
  'Pink',
  'Purple',
  'Ecru',
  'Gold',
  'Mixed',
];
const DECADES = [
  'Before 1920',
  '1920s',
  '1930s',
  '1940s',
  '1950s',
  '1960s',
  '1970s',
  '1980s',
  '1990s',
  '2000s',
  '2010s',
  '2020s',
];

type Need = 'required' | 'recommended' | 'optional';
interface Asked {
  id: string;
  label: string;
  need: Need;
  choices?: string[];
  maxLength?: number;
  /** Beside our list the seller's own words are taken. */
  own?: true;
  /** So many at once, with a bar between them. */
  most?: number;
}
const field = (id: string, label: string, need: Need, choices?: string[]): Asked =>
  choices ? { id, label, need, choices } : { id, label, need, maxLength: 65 };
const MATERIALS = ['Wool', 'Cotton', 'Linen', 'Silk', 'Leather', 'Brass', 'Wood', 'Glass', 'China'];
const material = (need: Need): Asked => ({
  ...field('material', 'Material', need, MATERIALS),
  own: true,
  most: 3,
  maxLength: 65,
});

const brand = (need: Need) => field('brand', 'Brand or maker', need);
const wear = [
  brand('required'),
  field('department', 'For whom', 'required', ['Women', 'Men', 'Unisex', 'Children']),
  field('size', 'Size', 'required'),
  field('colour', 'Main colour', 'required', COLOURS),
  material('recommended'),
];
const carried = [
  brand('required'),
  field('colour', 'Main colour', 'required', COLOURS),
  material('recommended'),
];
const house = [
  brand('recommended'),
  material('required'),
  field('colour', 'Main colour', 'optional', COLOURS),
  field('decade', 'Decade', 'recommended', DECADES),
];
const kit = [
  brand('required'),
  field('model', 'Model', 'recommended'),
  field('decade', 'Decade', 'optional', DECADES),
];

const NOTHING_ASKED: Asked[] = [];
const branch = (id: string, name: string, parent: string | null = null) => ({
  id,
  name,
  parent,
  leaf: false,
  specifics: NOTHING_ASKED,
});
const leaf = (id: string, name: string, parent: string, specifics: Asked[]) => ({
  id,
  name,
  parent,
  leaf: true,
  specifics,
});

export const CATEGORIES = [
  branch('wear', 'To wear'),
  leaf('wear.knit', 'Knitwear', 'wear', wear),
  leaf('wear.outer', 'Coats and jackets', 'wear', wear),
  leaf('wear.legs', 'Trousers and skirts', 'wear', wear),
  leaf('wear.tops', 'Shirts and tops', 'wear', wear),
  leaf('wear.extras', 'Scarves, hats, gloves', 'wear', carried),
  leaf('wear.feet', 'Shoes and boots', 'wear', wear),
  leaf('wear.bags', 'Bags and cases', 'wear', carried),
  branch('house', 'House'),
  leaf('house.light', 'Lamps and lighting', 'house', house),
  leaf('house.kitchen', 'Kitchen and table', 'house', house),
  leaf('house.cloth', 'Blankets and linen', 'house', house),
  leaf('house.glass', 'Glass and china', 'house', house),
  branch('bench', 'Workshop'),
  leaf('bench.hand', 'Hand tools', 'bench', kit),
  branch('optics', 'Cameras and optics'),
  leaf('optics.camera', 'Film cameras', 'optics', kit),
  leaf('optics.viewing', 'Binoculars and opera glasses', 'optics', kit),
  branch('shelf', 'Shelf'),
  leaf('shelf.books', 'Books', 'shelf', [
    field('model', 'Title of the book', 'required'),
    field('author', 'Author', 'required'),
    field('binding', 'Binding', 'recommended', ['Hardback', 'Paperback', 'Cloth']),
  ]),
  leaf('shelf.puzzles', 'Puzzles and games', 'shelf', [
    brand('recommended'),
    field('pieces', 'Pieces', 'required'),
  ]),
];

export const SHEET = {
  marketplace: 'brackenmoor',
  name: 'Brackenmoor',
  letters: 'Br',
  version: 1,
  statement: {
    separator: ',',
    decimal: '.',
    columns: { order: 'order', sort: 'entry', amount: 'euros', day: 'day' },
    sorts: {
      sale: 'sold',
      postage: 'postage',
      fee: 'commission',
      back: 'refund',
      feeBack: 'commission returned',
      payout: 'transfer',
    },
  },
  currency: 'EUR',
  title: { max: 80, counts: 'codeUnits' },
  description: { min: 20, max: 4_000, counts: 'codeUnits', markup: ['p', 'br', 'ul', 'li', 'b'] },
  /** For our own search; nobody reads them. */
  tags: { max: 8, longest: 30, hidden: true },
  photos: {
    min: 1,
    max: 12,
    minLongSide: 500,
    maxLongSide: 2_000,
    maxBytes: 4_000_000,
    shape: 'any',
    shownAtOnce: 5,
  },
  clip: { maxSeconds: 60, maxBytes: 30_000_000 },
  price: { min: 100, max: 2_500_000 },
  categories: CATEGORIES,
  conditions: [
    { code: 'sealed', label: 'Untouched', wear: 0 },
    { code: 'fine', label: 'Fine, hardly handled', wear: 1 },
    { code: 'sound', label: 'Sound, some use', wear: 2 },
    { code: 'seasoned', label: 'Seasoned, wear to see', wear: 3 },
    { code: 'rough', label: 'Rough, for a mender', wear: 5 },
  ],
  fees: {
    rules: [
      {
        type: 'share',
        label: 'Selling fee, to wear',
        bp: 1_150,
        of: 'total',
        cap: 6_000,
        categories: ['wear'],
      },
      {
        type: 'share',
        label: 'Selling fee, house',
        bp: 980,
        of: 'total',
        cap: 5_000,
        categories: ['house', 'shelf'],
      },
      {
        type: 'share',
        label: 'Selling fee, tools and optics',
        bp: 740,
        of: 'total',
        cap: 4_500,
        categories: ['bench', 'optics'],
      },
      { type: 'fixed', label: 'Order fee', amount: 35 },
      { type: 'promotion', label: 'Better place', minBp: 200, maxBp: 2_000, of: 'price' },
      {
        type: 'extra',
        id: 'secondLine',
        label: 'Second title line',
        amount: 120,
        by: 'listing',
        asks: 'words',
      },
      {
        type: 'extra',
        id: 'secondCategory',
        label: 'Second category',
        amount: 80,
        by: 'listing',
        asks: 'category',
      },
    ],
    taxBp: 2_000,
  },
  forbiddenWords: [
    { word: 'replica', why: 'copies are not sold here' },
    { word: 'best price', why: 'no claims about price in the words' },
    { word: 'see shop', why: 'buyers are not to be led elsewhere' },
  ],
  questions: [],
  handover: 'post',
  postageMost: 20_000,
  terms: {
    maxHandlingDays: 10,
    returnDays: [0, 14, 30],
    takes: ['further', 'abroad', 'handlingDays', 'returnDays', 'returnsPaidBy', 'taxBp', 'collect'],
  },
  refusesTwins: true,
  choices: { options: 2, pieces: 60, longest: 40, stock: 999 },
  quantity: { most: 999 },
  monthlyAllowance: 250,
} as const;
