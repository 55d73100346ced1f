/** Threadwick's own rules: clothes, shoes and bags only. Invented. */
export const HUES = [
  'Black',
  'White',
  'Ecru',
  'Grey',
  'Blue',
  'Sky',
  'Green',
  'Brown',
  'Camel',
  'Red',
  'Orange',
  'Yellow',
  'Pink',
  'Lilac',
  'Purple',
  'Gold',
  'Silver',
  'Many colours',
];
export const FOR_WHOM = ['Women', 'Men', 'Unisex', 'Children'];

const fields = [
  { id: 'department', label: 'Department', need: 'required', choices: FOR_WHOM },
  { id: 'size', label: 'Size', need: 'required', maxLength: 20 },
  { id: 'colour', label: 'Colour', need: 'required', choices: HUES },
  { id: 'brand', label: 'Label', need: 'recommended', maxLength: 40 },
  { id: 'material', label: 'Cloth', need: 'recommended', maxLength: 40 },
];
const shelf = (id: string, name: string) => ({ id, name, parent: null, leaf: true, specifics: fields });

export const SHEET = {
  marketplace: 'threadwick',
  name: 'Threadwick',
  letters: 'Tw',
  version: 1,
  statement: {
    separator: ';',
    decimal: ',',
    columns: { order: 'sale', sort: 'what', amount: 'sum', day: 'when' },
    sorts: {
      sale: 'taken home',
      postage: 'post',
      fee: 'our part',
      back: 'handed back',
      feeBack: 'our part back',
      payout: 'paid to you',
    },
  },
  currency: 'EUR',
  title: { max: 52, counts: 'characters' },
  description: { min: 10, max: 480, counts: 'characters', topics: { max: 6, longest: 24 } },
  photos: {
    min: 4,
    max: 8,
    minLongSide: 600,
    maxLongSide: 1_600,
    maxBytes: 2_500_000,
    shape: 'square',
    shownAtOnce: 4,
  },
  price: { min: 200, max: 200_000 },
  categories: [
    shelf('knits', 'Knits'),
    shelf('outerwear', 'Outerwear'),
    shelf('bottoms', 'Bottoms'),
    shelf('tops', 'Tops'),
    shelf('finishing', 'Finishing touches'),
    shelf('footwear', 'Footwear'),
    shelf('carried', 'Carried items'),
  ],
  conditions: [
    { code: '1', label: 'Never worn', wear: 0 },
    { code: '2', label: 'Crisp', wear: 1 },
    { code: '3', label: 'Softened', wear: 2 },
    { code: '4', label: 'Lived in', wear: 4 },
  ],
  fees: {
    rules: [{ type: 'step', label: 'Threadwick’s part', upTo: 1_800, flat: 240, bpAbove: 1_750 }],
    taxBp: 0,
  },
  forbiddenWords: [
    { word: 'inspired by', why: 'say what it is, not what it is like' },
    { word: 'dupe', why: 'copies are not shown' },
  ],
  questions: [],
  handover: 'post',
  postageCharged: 390,
};
