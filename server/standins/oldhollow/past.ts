import type { Shelf } from '../kit/past';

/** What stood in these rooms before. */
export const SHELVES: Readonly<Record<string, Shelf>> = {
  worn: {
    nouns: ['gansey', 'smock', 'waistcoat', 'shawl'],
    cents: 4_800,
    searched: ['antique', 'hand knitted', 'workwear'],
  },
  parlour: {
    nouns: ['coffee pot', 'vase', 'tea glass holders', 'blanket'],
    cents: 3_600,
    searched: ['enamel', 'pressed glass', 'farmhouse'],
  },
  lamps: {
    nouns: ['ship’s lamp', 'oil lamp', 'lantern', 'desk lamp'],
    cents: 8_800,
    searched: ['brass', 'ship', 'gimbal'],
  },
  works: {
    nouns: ['hand plane', 'typewriter', 'plate camera', 'opera glasses'],
    cents: 7_600,
    searched: ['portable', 'folding', 'boxwood', 'bellows'],
  },
  paper: {
    nouns: ['field guide', 'map', 'print', 'atlas'],
    cents: 2_600,
    searched: ['first edition', 'engraving', 'coast'],
  },
  play: {
    nouns: ['jigsaw', 'toy boat', 'board game', 'record'],
    cents: 2_900,
    searched: ['wooden', 'complete', 'tin'],
  },
  cabinet: {
    nouns: ['writing slope', 'box', 'brooch', 'snuff box'],
    cents: 9_800,
    searched: ['walnut', 'brass bound', 'campaign'],
  },
};
export const SEED = 4_404;
