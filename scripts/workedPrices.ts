// npx tsx scripts/workedPrices.ts: writes docs/worked-prices.md anew.
import { writeFileSync } from 'node:fs';

import { SHEET as BRACKENMOOR } from '../server/standins/brackenmoor/sheet';
import { SHEET as HANDBILL } from '../server/standins/handbill/sheet';
import { SHEET as LANTERNYARD } from '../server/standins/lanternyard/sheet';
import { SHEET as NEARSTILE } from '../server/standins/nearstile/sheet';
import { SHEET as OLDHOLLOW } from '../server/standins/oldhollow/sheet';
import { SHEET as QUIRESTACK } from '../server/standins/quirestack/sheet';
import { SHEET as THREADWICK } from '../server/standins/threadwick/sheet';
import { RuleSheet } from '../src/contract/ruleSheet';
import { formatMoney } from '../src/core/money/money';
import { parentsOf, takeHomeOf, type SaleTerms } from '../src/core/price/takeHome';

export interface WorkedPrice {
  what: string;
  sheet: RuleSheet;
  sale: SaleTerms;
  /** Worked with pencil and paper from the published schedule, not by the code. */
  byHand: string;
}

const sale = (price: number, charged: number, cost: number, more: Partial<SaleTerms> = {}): SaleTerms => ({
  price,
  postageCharged: charged,
  postageCost: cost,
  packaging: 60,
  category: '',
  ...more,
});
// As many as there are names on the left.
const [moor, wick, stile, hollow, stack, yard, bill] = [
  BRACKENMOOR,
  THREADWICK,
  NEARSTILE,
  OLDHOLLOW,
  QUIRESTACK,
  LANTERNYARD,
  HANDBILL,
].map((sheet) => RuleSheet.parse(sheet)) as [
  RuleSheet,
  RuleSheet,
  RuleSheet,
  RuleSheet,
  RuleSheet,
  RuleSheet,
  RuleSheet,
];

export const WORKED: readonly WorkedPrice[] = [
  {
    what: 'a jumper at 48.00',
    sheet: moor,
    sale: sale(4_800, 420, 420, { category: 'wear.knit' }),
    byHand:
      '11.5 % of 52.20 is 6.003, so 6.00; and 0.35 is 6.35; a fifth of that is 1.27; together ' +
      '7.62. 48.00 + 4.20 − 7.62 − 4.20 − 0.60 = 39.78',
  },
  {
    what: 'a lamp at 900.00, where the cap bites',
    sheet: moor,
    sale: sale(90_000, 1_900, 1_900, { category: 'house.light' }),
    byHand:
      '9.8 % of 919.00 would be 90.06, the cap is 50.00; and 0.35 is 50.35; a fifth of that is ' +
      '10.07; together 60.42. 900.00 + 19.00 − 60.42 − 19.00 − 0.60 = 838.98',
  },
  {
    what: 'a camera at 95.00, promoted at 2 %, with a second title line',
    sheet: moor,
    sale: sale(9_500, 580, 580, { category: 'optics.camera', promotionBp: 200, extras: { secondLine: 1 } }),
    byHand:
      '7.4 % of 100.80 is 7.4592, so 7.46; 0.35; 2 % of 95.00 is 1.90; 1.20; together 10.91; a ' +
      'fifth of that is 2.182, so 2.18; in all 13.09. 95.00 + 5.80 − 13.09 − 5.80 − 0.60 = 81.31',
  },
  {
    what: 'a shirt at 18.00, the last price of the flat part',
    sheet: wick,
    sale: sale(1_800, 390, 420),
    byHand: 'flat 2.40. 18.00 + 3.90 − 2.40 − 4.20 − 0.60 = 14.70',
  },
  {
    what: 'a shirt at 18.01, one cent further',
    sheet: wick,
    sale: sale(1_801, 390, 420),
    byHand: '17.5 % of 18.01 is 3.15175, so 3.15. 18.01 + 3.90 − 3.15 − 4.20 − 0.60 = 13.96',
  },
  {
    what: 'a chair at 45.00, collected, shown higher up for three days',
    sheet: stile,
    sale: { ...sale(4_500, 0, 0, { extras: { seen: 3 } }), packaging: 0 },
    byHand: 'three times 0.75 is 2.25. 45.00 − 2.25 = 42.75',
  },
  {
    what: 'a vase at 60.00, sold within its first 90 days',
    sheet: hollow,
    sale: sale(6_000, 420, 420, { daysListed: 30 }),
    byHand:
      '0.22; 9.5 % of 60.00 is 5.70; 3.1 % of 64.20 is 1.9902, so 1.99; 0.25; together 8.16; a ' +
      'fifth of that is 1.632, so 1.63; in all 9.79. 60.00 + 4.20 − 9.79 − 4.20 − 0.60 = 49.61',
  },
  {
    what: 'a clock at 1500.00 after 200 days, through all three tiers',
    sheet: hollow,
    sale: sale(150_000, 1_250, 1_250, { daysListed: 200 }),
    byHand:
      'three times 0.22 is 0.66; 9.50 + 63.00 + 20.00 is 92.50; 3.1 % of 1512.50 is 46.8875, so ' +
      '46.89; 0.25; together 140.30; a fifth of that is 28.06; in all 168.36. 1500.00 + 12.50 − ' +
      '168.36 − 12.50 − 0.60 = 1331.04',
  },
  {
    what: 'a book at 9.00',
    sheet: stack,
    sale: sale(900, 280, 290, { category: 'pages' }),
    byHand:
      '13.5 % of 11.80 is 1.593, so 1.59; 0.75; together 2.34; a fifth of that is 0.468, so 0.47; ' +
      'in all 2.81. 9.00 + 2.80 − 2.81 − 2.90 − 0.60 = 5.49',
  },
  {
    what: 'a disc at 1.00, which is not worth it',
    sheet: stack,
    sale: sale(100, 280, 290, { category: 'sound' }),
    byHand:
      '13.5 % of 3.80 would be 0.513, the least is 0.60; 0.95; together 1.55; a fifth of that is ' +
      '0.31; in all 1.86. 1.00 + 2.80 − 1.86 − 2.90 − 0.60 = −1.56',
  },
  {
    what: 'a scarf at 24.00 with the postage built in',
    sheet: yard,
    sale: sale(2_400, 0, 420),
    byHand: '1.6 % of 24.00 is 0.384, so 0.38; 0.22; together 0.60. 24.00 − 0.60 − 4.20 − 0.60 = 18.60',
  },
  {
    what: 'a pot at 5.00, where the least fee bites',
    sheet: bill,
    sale: sale(500, 420, 420),
    byHand: '8 % of 5.00 would be 0.40, the least is 0.50. 5.00 + 4.20 − 0.50 − 4.20 − 0.60 = 3.90',
  },
];

/** The page as the code works it out now. */
export function workedPrices(): string {
  const lines = [
    '# Worked prices',
    '',
    'Twelve sales over the seven schedules. “By hand” was worked with pencil and paper from the ' +
      'published schedule;',
    'the lines after it come out of the code. Write it anew with `npx tsx ' +
      'scripts/workedPrices.ts`; a test compares both.',
    'Packing costs 0.60 a parcel. Each fee is rounded half up by itself, tax once on their sum.',
  ];
  for (const [i, { what, sheet, sale: s, byHand }] of WORKED.entries()) {
    const home = takeHomeOf(s, sheet.fees, parentsOf(sheet));
    const say = (amount: number) => formatMoney(amount, sheet.currency);
    lines.push(
      '',
      `## ${i + 1}. ${sheet.name}: ${what}`,
      '',
      `By hand: ${byHand}`,
      '',
      '| | |',
      '| --- | ---: |',
    );
    lines.push(`| price | ${say(s.price)} |`);
    if (s.postageCharged > 0) lines.push(`| postage the buyer pays | ${say(s.postageCharged)} |`);
    for (const fee of home.fees) lines.push(`| ${fee.label} | −${say(fee.amount)} |`);
    if (s.postageCost > 0) lines.push(`| postage | −${say(s.postageCost)} |`);
    if (s.packaging > 0) lines.push(`| packing | −${say(s.packaging)} |`);
    lines.push(`| **take-home** | **${say(home.takeHome)}** |`);
  }
  return `${lines.join('\n')}\n`;
}

if (process.argv[1]?.endsWith('workedPrices.ts')) writeFileSync('docs/worked-prices.md', workedPrices());
