import { catalogue, filedUnder } from '../indexhall/catalogue';
import { dice } from '../kit/dice';

/** A record that offers are made against. */
export interface Title {
  barcode: string;
  name: string;
  by: string;
  rack: string;
  /** Only for some sellers, and this one is not among them. */
  closed: boolean;
}

const RACK: Record<string, string> = { Print: 'pages', Sound: 'sound', Play: 'table' };

/** The records there are, by barcode in fourteen digits: bought in from Index Hall. */
export const TITLES: ReadonlyMap<string, Title> = new Map(
  catalogue().map((card, i) => [
    filedUnder(card.code),
    {
      barcode: card.code,
      name: card.heading,
      by: card.particulars.find((p) => p.what === 'Author' || p.what === 'Artist')?.is ?? card.house,
      rack: RACK[card.under[0] ?? ''] ?? 'pages',
      closed: i % 29 === 28,
    },
  ]),
);

export function titleOf(barcode: string): Title | undefined {
  return TITLES.get(filedUnder(barcode));
}

const SELLERS = [
  'Mudlark Books',
  'The Ninth Box',
  'Pennywhistle',
  'Hob & Daughters',
  'Cheap by the Yard',
  'Fennel Row',
];

/** Other sellers' copies of a record: the same on one day, a little different the next. */
export function copiesOf(title: Title, now: number) {
  const roll = dice(Number(title.barcode.slice(-8)) + Math.floor(now / 86_400_000));
  const usual = 300 + Math.floor(roll() * 1_400);
  return SELLERS.flatMap((seller) => {
    if (roll() < 0.35) return [];
    const grade = Math.floor(roll() * 4);
    const cents = Math.max(50, Math.round((usual * (1.4 - grade * 0.22) * (0.8 + roll() * 0.5)) / 5) * 5);
    return [
      {
        seller,
        cents,
        condition: 'ABCD'.charAt(grade),
        rating: Math.round(880 + roll() * 119) / 10,
        leavesIn: 1 + Math.floor(roll() * 4),
      },
    ];
  });
}
