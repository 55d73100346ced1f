import { dice } from '../kit/dice';

/** One card of the catalogue, in the desk's own words. */
export interface Card {
  code: string;
  heading: string;
  house: string;
  under: string[];
  particulars: { what: string; is: string }[];
  newAt: { cents: number; currency: string } | null;
  /** Where its rank swings around, of {@link Card.under}'s first. */
  usualPlace: number;
  of: number;
}

// Made-up names throughout.
const OF = [
  'the Estuary',
  'the Fells',
  'Marram Sound',
  'the Long Dyke',
  'Cotter’s Yard',
  'the Salt Road',
  'Quillon Head',
  'the Low Orchard',
];
const SUBJECTS = [
  'Wading Birds',
  'Ferrymen',
  'Hedgerow Plants',
  'Weather',
  'Bridges',
  'Kitchen Gardens',
  'Lighthouse Keepers',
  'Moths',
];
const WRITERS = [
  'M. Tarrant',
  'Edda Holloway',
  'J. R. Pask',
  'Ines Corvane',
  'Tobias Wrenfield',
  'L. Amberley',
];
const PRESSES = ['Plover Press', 'Hob & Linnet', 'Saltmarsh Books', 'Fourth Gate'];
const PLAYERS = [
  'The Tidewatch Band',
  'Corrie Vale',
  'Lantern Street Five',
  'Oda Penhallow',
  'The Slate Choir',
];
const LABELS = ['Kelpie Recordings', 'Old Mill Sound', 'Ninth Wave'];
const PLAY = ['Quarry Bay', 'The Harbour Master', 'Peat & Plough', 'Seven Locks', 'Millrace', 'Fog Signal'];
const MAKERS = ['Tern Games', 'Applewood Works', 'Pebble & Son'];

/** GS1 restricted-circulation numbers: prefixes 20 to 29 never belong to an article in open trade. */
function code(n: number): string {
  const twelve = `2${String(n).padStart(11, '0')}`;
  return twelve + lastDigit(twelve);
}

/**
 * The digit that makes the sum of all, with 1 and 3 in turn from the left of an EAN-13, a multiple of ten.
 */
function lastDigit(twelve: string): number {
  const sum = [...twelve].reduce((s, digit, i) => s + Number(digit) * (i % 2 === 0 ? 1 : 3), 0);
  return (10 - (sum % 10)) % 10;
}

/** A number as cards are filed: fourteen digits. */
export function filedUnder(code: string): string {
  return code.padStart(14, '0');
}

/** One that people in Saltreach have on their shelves. */
const SEABIRDS: Omit<Card, 'code'> = {
  heading: 'Seabirds of the Northern Coasts',
  house: 'Drumlin Press',
  under: ['Print', 'Field guide'],
  particulars: [
    { what: 'Author', is: 'E. Farrowdale' },
    { what: 'Year', is: '1953' },
    { what: 'Binding', is: 'Cloth' },
    { what: 'Language', is: 'English' },
  ],
  newAt: { cents: 1_250, currency: 'EUR' },
  usualPlace: 8_200,
  of: 90_000,
};

/** The whole catalogue: made-up books, records and games, the same every time. */
export function catalogue(size = 240): Card[] {
  const roll = dice(20_261);
  // Of lists written out above, none of them empty.
  const one = <T>(list: readonly T[]): T => list[Math.floor(roll() * list.length)]!;
  const drawn = Array.from({ length: size }, (_, i): Card => {
    const year = String(1948 + Math.floor(roll() * 60));
    // A share of its sort: the best sell much better than most.
    const usualPlace = roll() ** 2 * 0.9;
    const newAt = roll() < 0.85 ? { cents: 395 + Math.floor(roll() * 60) * 50, currency: 'EUR' } : null;
    const common = { code: code(i + 1), newAt, usualPlace };
    switch (i % 3) {
      case 0:
        return {
          ...common,
          heading: `${one(SUBJECTS)} of ${one(OF)}`,
          house: one(PRESSES),
          under: ['Print', one(['Field guide', 'Novel', 'Recipe book'])],
          particulars: [
            { what: 'Author', is: one(WRITERS) },
            { what: 'Year', is: year },
            { what: 'Binding', is: one(['Hardback', 'Paperback', 'Cloth']) },
            { what: 'Language', is: 'English' },
          ],
          of: 90_000,
        };
      case 1:
        return {
          ...common,
          heading: `${one(['Songs from', 'Evenings at', 'A Winter in'])} ${one(OF)}`,
          house: one(LABELS),
          under: ['Sound', 'Vinyl record'],
          particulars: [
            { what: 'Artist', is: one(PLAYERS) },
            { what: 'Year', is: year },
            { what: 'Format', is: one(['LP', 'Single', '10 inch']) },
          ],
          of: 60_000,
        };
      default:
        return {
          ...common,
          heading: `${one(PLAY)}${roll() < 0.4 ? ': the Travelling Edition' : ''}`,
          house: one(MAKERS),
          under: ['Play', 'Board game'],
          particulars: [
            { what: 'Pieces', is: String(20 + Math.floor(roll() * 180)) },
            { what: 'Age it is for', is: one(['6 to 12', 'Grown-ups']) },
          ],
          of: 25_000,
        };
    }
  }).map((card) => ({ ...card, usualPlace: 1 + Math.floor(card.usualPlace * card.of) }));
  return [...drawn, { ...SEABIRDS, code: code(size + 1) }];
}

/** How well it sells on a day: swings by a third around its usual place over some weeks. */
export function placeOn(card: Card, at: number): number {
  const days = at / 86_400_000;
  const swing = 1 + 0.33 * Math.sin(days / 9 + Number(card.code.slice(-6, -1)));
  return Math.min(card.of, Math.max(1, Math.round(card.usualPlace * swing)));
}
