import type { Shelf } from '../kit/past';

/** What has been sold here, by category. */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  'wear.knit': {
    nouns: ['jumper', 'gansey', 'cardigan', 'pullover'],
    cents: 3_000,
    searched: ['sweater', 'wool', 'fisherman', 'aran', 'cable'],
  },
  'wear.outer': {
    nouns: ['coat', 'jacket', 'chore coat'],
    cents: 5_200,
    searched: ['waxed', 'vintage', 'corduroy', 'parka'],
  },
  'wear.legs': {
    nouns: ['trousers', 'cords', 'skirt'],
    cents: 2_600,
    searched: ['corduroy', 'wide', 'high waist'],
  },
  'wear.tops': {
    nouns: ['shirt', 'blouse', 'dress', 'top'],
    cents: 1_900,
    searched: ['linen', 'cotton', 'workwear'],
  },
  'wear.extras': { nouns: ['scarf', 'hat', 'gloves'], cents: 1_500, searched: ['silk', 'square', 'wool'] },
  'wear.feet': {
    nouns: ['boots', 'shoes', 'brogues'],
    cents: 4_400,
    searched: ['leather', 'brogue', 'walking'],
  },
  'wear.bags': {
    nouns: ['satchel', 'bag', 'suitcase'],
    cents: 3_900,
    searched: ['leather', 'school', 'crossbody'],
  },
  'house.light': {
    nouns: ['desk lamp', 'lamp', 'lantern'],
    cents: 4_800,
    searched: ['brass', 'enamel', 'jointed', 'industrial'],
  },
  'house.kitchen': {
    nouns: ['coffee pot', 'kettle', 'tin'],
    cents: 1_900,
    searched: ['enamel', 'cast iron', 'farmhouse'],
  },
  'house.cloth': {
    nouns: ['blanket', 'quilt', 'linen'],
    cents: 3_400,
    searched: ['wool', 'striped', 'throw'],
  },
  'house.glass': {
    nouns: ['vase', 'jug', 'bowl'],
    cents: 2_200,
    searched: ['pressed glass', 'green', 'art deco'],
  },
  'bench.hand': {
    nouns: ['plane', 'chisel', 'saw'],
    cents: 2_800,
    searched: ['smoothing', 'bench plane', 'boxwood'],
  },
  'optics.camera': {
    nouns: ['folding camera', 'plate camera', 'camera'],
    cents: 8_000,
    searched: ['film', '35mm', 'bellows'],
  },
  'optics.viewing': {
    nouns: ['opera glasses', 'binoculars'],
    cents: 3_600,
    searched: ['mother of pearl', 'brass'],
  },
  'shelf.books': {
    nouns: ['field guide', 'novel', 'recipe book'],
    cents: 900,
    searched: ['first edition', 'signed', 'birds'],
  },
  'shelf.puzzles': {
    nouns: ['jigsaw', 'puzzle', 'game'],
    cents: 1_100,
    searched: ['wooden', 'complete', '500 pieces'],
  },
};
export const SEED = 4_101;
