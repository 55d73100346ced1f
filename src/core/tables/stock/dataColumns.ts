import { Item } from '@/contract/records';

import { cellNo, type StockColumn } from './column';

/** Fields that no single cell of words can say: as the attic keeps them, so that they come back whole. */
const DATA = {
  flaws: 'Flaws',
  gradeByHand: 'Grade by hand',
  uncertainty: 'Measured how exactly',
  measuredBy: 'Measured how',
  parked: 'Set aside',
  readings: 'Read and not confirmed',
  markdown: 'Coming down',
  holds: 'Promises',
  left: 'Where it went',
  depot: 'At a depot',
  choices: 'Choices',
  ranks: 'Ranks',
  priceNew: 'Price new',
  skippedShots: 'Shots left out',
} as const;
export type DataField = keyof typeof DATA;
// Written out above.
const DATA_FIELDS = Object.keys(DATA) as DataField[];

/** An item of which nothing is said. */
export const FRESH_ITEM = Item.parse({ id: 'fresh', code: 'fresh', author: '', createdAt: 0, updatedAt: 0 });

/** Those fields as JSON: off unless chosen, for going elsewhere and coming back. */
export function dataColumns(): StockColumn[] {
  return DATA_FIELDS.map((field): StockColumn => ({
    id: `data:${field}`,
    label: `${DATA[field]} (data)`,
    sort: 'data',
    usual: false,
    of: ({ item }) => {
      const said = JSON.stringify(item[field]);
      // A figure with nothing said of where it comes from is not one of a tape.
      const isMeasured = field === 'measuredBy' && Object.keys(item.measurements).length > 0;
      return said === JSON.stringify(FRESH_ITEM[field]) && !isMeasured ? null : said;
    },
    read: (said) => {
      const value = Item.shape[field].safeParse(parsed(said));
      return value.success ? { ok: true, part: { [field]: value.data } } : cellNo('dataUnread');
    },
    clear: () => ({ [field]: FRESH_ITEM[field] }),
  }));
}

function parsed(said: string): unknown {
  try {
    return JSON.parse(said);
  } catch {
    // It is no JSON: no schema takes what is missing there.
    return Symbol('unread');
  }
}
