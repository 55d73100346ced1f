import Papa from 'papaparse';

import { Settings } from '@/contract/records';
import { formatMoney } from '@/core/money/money';

import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { startTestServer } from './testServer';
import { worldWithPast } from './world';
import { pastBefore } from '../demo/past/past';
import type { PastSale } from '../demo/past/year';

const at = startTestServer({ world: worldWithPast });

/** As it truly was: the script's own word. */
const { sales } = pastBefore(Date.now(), Settings.parse({ id: 'settings' }).codePattern);
const sum = (of: readonly PastSale[], value: (s: PastSale) => number) =>
  of.reduce((all, s) => all + value(s), 0);
const money = (cents: number) => formatMoney(cents, 'EUR');
const monthOf = (moment: number) => new Date(moment).getMonth();
const yearOf = (moment: number) => new Date(moment).getFullYear();
const DAY = 86_400_000;
const cents = (cell: string | undefined) => Math.round(Number(cell) * 100);

type Table = Record<string, string>[];
const tableIn = (csv: Buffer) =>
  Papa.parse<Record<string, string>>(csv.toString('utf8').replace(/^\uFEFF/u, ''), {
    header: true,
    skipEmptyLines: true,
  }).data as Table;

/** Sold and taken, by the part's name. */
function partsIn(rows: Table, name: string) {
  return Object.fromEntries(
    rows.map((r) => [r[name]?.toLowerCase(), [Number(r.Sold), cents(r['Takings, EUR'])]]),
  );
}
function partsOf(of: readonly PastSale[], keyOf: (s: PastSale) => string) {
  const parts: Record<string, [number, number]> = {};
  for (const s of of) {
    const [sold, taken] = parts[keyOf(s).toLowerCase()] ?? [0, 0];
    parts[keyOf(s).toLowerCase()] = [sold + 1, taken + s.amount];
  }
  return parts;
}

it('the ledger’s figures are the script’s, to the cent: by month, by marketplace and by person', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.sees('Today');
  await attic.go('Ledger');
  await attic.press('Tax year');
  const year = yearOf(Date.now());
  const mine = sales.filter((s) => yearOf(s.soldAt) === year);
  await attic.sees(`${mine.length} sold`);
  await attic.press('Show as a table: Month by month');
  const months = tableIn(await attic.saves('Save the table: Month by month'));
  expect(months).toHaveLength(12);
  for (const [month, row] of months.entries()) {
    const sold = mine.filter((s) => monthOf(s.soldAt) === month);
    const back = sales.filter((s) => s.back && yearOf(s.back.at) === year && monthOf(s.back.at) === month);
    const given = sum(back, (s) => s.back?.given ?? 0);
    const feesBack = sum(back, (s) => s.back?.feesBack ?? 0);
    const sent = sum(sold, ({ sent: of }) => (of ? of.label + of.packaging : 0));
    expect({
      month,
      sold: Number(row.Sold),
      takings: cents(row['Takings, EUR']),
      postage: cents(row['Postage paid by buyers, EUR']),
      given: cents(row['Given back, EUR']),
      fees: cents(row['Fees, EUR']),
      sent: cents(row['Posting and packing, EUR']),
    }).toEqual({
      month,
      sold: sold.length,
      takings: sum(sold, (s) => s.amount),
      postage: sum(sold, (s) => s.postage),
      given: 0 - given,
      fees: 0 - (sum(sold, (s) => s.fees.charged) - feesBack),
      sent: 0 - sent,
    });
  }

  await attic.press('By part');
  await attic.press('Show as a table: By marketplace');
  const byMarket = tableIn(await attic.saves('Save the table: By marketplace'));
  expect(partsIn(byMarket, 'Marketplace')).toEqual(partsOf(mine, (s) => s.market));
  await attic.press('Person');
  const byPerson = tableIn(await attic.saves('Save the table: By person'));
  expect(partsIn(byPerson, 'Person')).toEqual(partsOf(mine, (s) => s.good.by));
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('a haul says on its page since when it is paid back; old stock is changed by one tap more', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/hauls');
  await attic.press('The chandler’s stockroom');
  const mine = sales.filter((s) => s.origin.key === 'chandler');
  await attic.sees(`It brought ${money(sum(mine, (s) => s.takeHome))} of the ${money(27_500)} it cost`);
  await attic.sees('It has been paid back since');

  await attic.visit('/ledger?view=stock');
  // What came back is here again, beside the two ganseys of which one has no price.
  const days = (s: PastSale) => Math.floor((Math.floor(Date.now() / DAY) * DAY - s.listedAt) / DAY + 1 / 6);
  const here = sales.filter((s) => s.back && !s.origin.owner);
  const old = here.filter((s) => days(s) > 90).length + 1;
  await attic.press(`${old} items up nowhere: put them up`);
  await attic.sees(`Only these are shown: ${old} items up nowhere`);
  await attic.sees(`${old} chosen`);
  await attic.visit('/ledger?view=stock');
  const oldest = here.filter((s) => days(s) > 180).length + 1;
  await attic.press(`Change all ${oldest + 1}: over 180 days`);
  await attic.sees(`${oldest + 1} chosen`);
  await attic.press('More…');
  await attic.press('Mark down');
  await attic.fill('Per cent off', '25');
  await attic.sees('YA-901: €48.00 → €36.00');
  await attic.sees('It has no price yet.');
  await attic.press(`Change ${oldest} items`);
  await attic.sees(`${oldest} items changed.`);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
