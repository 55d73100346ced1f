import { writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { tell } from './figure';
import { fill, pages } from './stock';
import { timed, Watch } from './watch';
import { Attic } from '../e2e/attic';
import { openBrowser, WIDE } from '../e2e/browser';
import { ServerProcess } from '../e2e/serverProcess';

const LINES = 20_000;

/** 20,000 lines in: read, worked out, taken; 20,000 items out, as text and as a spreadsheet. */
export async function benchTables(): Promise<void> {
  await benchIn();
  await benchOut();
}

async function benchIn(): Promise<void> {
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, WIDE);
    const lines = Array.from(
      { length: LINES },
      (_, i) =>
        `B-${i},Wool jumper ${i},Jumper,${i % 90}.50,${i % 9}.00,A${i % 40},navy,Kittiwake,54.5,lightly used`,
    );
    const file = join(tmpdir(), `attic-bench-${process.pid}.csv`);
    writeFileSync(
      file,
      `sku,title,kind,price,cost,location,colour,brand,"Pit to pit, cm",use\n${lines.join('\n')}\n`,
    );
    await attic.visit('/bring-table');
    const watch = await Watch.on(attic.page);
    await watch.tell(
      'tables.in.read',
      await timed(async () => {
        await attic.choose([file], 'Choose a file');
        await attic.sees('10 of 10 columns taken');
      }),
    );
    await watch.tell(
      'tables.in.workedOut',
      await timed(async () => {
        await attic.press('See what it would do');
        await attic.sees(`New ${LINES}`, 300_000);
      }),
    );
    await watch.tell(
      'tables.in.taken',
      await timed(async () => {
        await attic.press(`Make ${LINES} new items`);
        await attic.sees(`${LINES} items made.`, 300_000);
      }),
    );
  } finally {
    await browser.close();
    await server.kill();
  }
}

async function benchOut(): Promise<void> {
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, WIDE);
    await attic.go('Stock');
    await fill(attic.page, Object.entries(pages(LINES)));
    // Nothing may be written over what was just put there.
    await attic.page.goto('about:blank');
    await attic.page.goto(`${server.address}/save-tables`);
    await attic.sees(`Save ${LINES} items`, 120_000);
    // What is opened with it settles first.
    await new Promise((done) => setTimeout(done, 3_000));
    const watch = await Watch.on(attic.page);
    for (const [name, chip] of [
      ['csv', 'CSV'],
      ['xlsx', 'Spreadsheet (.xlsx)'],
    ] as const) {
      await attic.press(chip);
      await watch.longest();
      let bytes = 0;
      const took = await timed(async () => {
        bytes = (await attic.saves(`Save ${LINES} items`)).length;
      });
      await watch.tell(`tables.out.${name}`, took);
      tell({ name: `tables.out.${name}.size`, value: bytes / 1e6, unit: 'MB' });
    }
  } finally {
    await browser.close();
    await server.kill();
  }
}
