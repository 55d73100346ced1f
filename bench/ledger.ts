import { join } from 'node:path';

import { Settings } from '@/contract/records';
import { pageOf } from '@/core/identity/recordId';

import { fill } from './stock';
import { timed, Watch } from './watch';
import { pastBefore, type Past } from '../demo/past/past';
import { Attic } from '../e2e/attic';
import { openBrowser, WIDE } from '../e2e/browser';
import { ServerProcess } from '../e2e/serverProcess';
import { Ledger } from '../server/courier/ledger';

const SALES = 10_000;

/** A ledger of 10,000 sales: opened, other periods and parts, what earns its keep. */
export async function benchLedger(): Promise<void> {
  const settings = Settings.parse({ id: 'settings' });
  const past = pastBefore(Date.now(), settings.codePattern);
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, WIDE);
    await attic.go('Stock');
    await server.kill();
    const records = await furnish(server.data, past);
    await fill(attic.page, Object.entries(records));
    // Nothing may be written over what was just put there.
    await attic.page.goto('about:blank');
    await server.up();
    await attic.page.goto(`${server.address}/spots`);
    await attic.page.waitForSelector('[role=main]', { timeout: 300_000 });
    // What was brought in settles first.
    await new Promise((done) => setTimeout(done, 8_000));
    const watch = await Watch.on(attic.page);
    const does = async (name: string, press: string, sees: string | RegExp) =>
      watch.tell(
        `ledger.${name}`,
        await timed(async () => {
          await attic.press(press);
          await attic.sees(sees, 300_000);
        }),
      );
    await watch.tell(
      'ledger.open',
      await timed(async () => {
        await attic.go('Ledger');
        await attic.sees('Take-home', 300_000);
      }),
    );
    await does('year', 'Tax year', 'Month by month');
    await does('yearBefore', 'Earlier', String(new Date().getFullYear() - 1));
    await does('month', 'Month', 'Day by day');
    await does('yearAgain', 'Tax year', 'Month by month');
    await does('byMarketplace', 'By part', 'By marketplace');
    await does('byBrand', 'Brand', 'By brand');
    await does('cash', 'Cash', 'In less out');
    await does('stock', 'In stock', 'Sold by age');
    await does('keep', 'What earns its keep', /Wilson/u);
  } finally {
    await browser.close();
    await server.kill();
  }
}

/**
 * The past so many times over that there are as many sales, in the courier’s ledger.
 *
 * @returns what the browser keeps of it, page by page
 */
async function furnish(data: string, past: Past): Promise<Record<string, string>> {
  const copies = Math.ceil(SALES / past.sales.length);
  const ledger = await Ledger.open(join(data, 'ledger.db'));
  const pages: Record<string, Record<string, unknown>> = {};
  const statements = new Map(past.records.statements.map((s) => [s.id, { ...s, lines: [...s.lines] }]));
  for (let copy = 0; copy < copies; copy += 1) {
    // Ids, with the running number that fixes their page; orders' and commands' names.
    const other = <T>(of: T): T =>
      // The same but for its names.
      JSON.parse(
        JSON.stringify(of)
          .replace(/([0-9a-z]{6})-past(?=[^a-z])/gu, (_, id: string) => `${moved(id, copy)}-past${copy}`)
          .replace(/[A-Z]{2}-P\d{4}/gu, (order) => `${order}C${copy}`)
          .replace(/deal-past-\d+/gu, (deal) => `${deal}c${copy}`)
          .replace(/"past-(\d+)/gu, (_, no: string) => `"past${copy}-${no}`),
      ) as T;
    await ledger.append(other(past.lines.slice(1)), Date.now());
    for (const name of ['items', 'orders', 'hauls', 'owners', 'payments'] as const)
      for (const record of other<{ id: string }[]>(past.records[name]))
        (pages[`${name}:${pageOf(record.id)}`] ??= {})[record.id] =
          name === 'items' ? { ...record, pictureIds: [], code: `B-${record.id}` } : record;
    for (const { id, lines } of other(past.records.statements)) statements.get(id)?.lines.push(...lines);
  }
  ledger.close();
  for (const statement of statements.values())
    (pages[`statements:${pageOf(statement.id)}`] ??= {})[statement.id] = statement;
  return Object.fromEntries(Object.entries(pages).map(([key, page]) => [key, JSON.stringify(page)]));
}

const moved = (id: string, copy: number) =>
  (Number.parseInt(id, 36) + copy * 5_000).toString(36).padStart(6, '0');
