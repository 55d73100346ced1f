/** Rooms of the stores, lowest first: each may take from those before it. */
const STORE = [
  'base',
  'attic',
  'copies',
  'items',
  'pictures',
  'courier',
  'research',
  'writing',
  'fulfilment',
  'derived',
  'scanning',
  'tables',
  'services',
];
/** A feature that shows a piece of another one: [whose screen, whose piece]. */
const SIDEWAYS = [
  ['buying', 'likeness'],
  ['crosslist', 'deeds'],
  ['crosslist', 'price'],
  ['intake', 'likeness'],
  ['intake', 'pictures'],
  ['item', 'crosslist'],
  ['item', 'likeness'],
  ['item', 'pictures'],
  ['item', 'price'],
  ['item', 'words'],
  ['sales', 'fulfilment'],
  ['says', 'crosslist'],
  ['says', 'likeness'],
  ['says', 'pictures'],
  ['says', 'price'],
  ['says', 'words'],
  ['stock', 'deeds'],
];

const features = [...new Set(SIDEWAYS.map(([from]) => from))];
const allowed = (from) => ['$1', ...SIDEWAYS.filter(([of]) => of === from).map(([, to]) => to)].join('|');

/** `npm run rooms`: no circles, and what may take from what. Layers between src’s folders are eslint’s. */
module.exports = {
  forbidden: [
    {
      name: 'no-circle-of-folders',
      comment: 'Rooms that need each other are one room, or share a third.',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
    { name: 'no-circle-of-files', severity: 'error', from: {}, to: { circular: true } },
    ...STORE.map((room, i) => ({
      name: `store-${room}-is-below-others`,
      severity: 'error',
      from: { path: `^src/store/${room}/` },
      to: { path: `^src/store/(?:${['none', ...STORE.slice(i + 1)].join('|')})/` },
    })),
    {
      name: 'look-knows-no-trade',
      severity: 'error',
      from: { path: '^src/parts/ui/' },
      to: { path: '^src/(?:parts/trade|store|core)/' },
    },
    {
      name: 'features-stand-alone',
      comment: 'A feature takes another one’s piece only along the list above.',
      severity: 'error',
      from: { path: '^src/features/([^/]+)/', pathNot: `^src/features/(?:${features.join('|')})/` },
      to: { path: '^src/features/', pathNot: '^src/features/$1/' },
    },
    ...features.map((from) => ({
      name: `feature-${from}-along-the-list`,
      severity: 'error',
      from: { path: `^src/features/(${from})/` },
      to: { path: '^src/features/', pathNot: `^src/features/(?:${allowed(from)})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.test\\.tsx?$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
  },
};
