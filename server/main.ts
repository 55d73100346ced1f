import { parseArgs } from 'node:util';

import { ATTIC_SORTS } from '@/core/identity/atticSort';

import { isPace, PACES } from './bustle/bustle';
import type { Ledger } from './courier/ledger';
import { StartTrouble } from './faults/startTrouble';
import { start } from './start';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '8417' },
    data: { type: 'string' },
    dist: { type: 'string', default: 'dist' },
    /** Folder of the demo world; left out, the attic begins empty. */
    demo: { type: 'string' },
    /** What the attic is for; left out, it is the demo where there is a world, else one's own. */
    sort: { type: 'string' },
    /** How it was started, as it is typed: said where it has to be started otherwise. */
    command: { type: 'string', default: 'npm start --' },
    /** Goes on with the kept copy of the ledger. */
    restore: { type: 'boolean', default: false },
    /** Part of the usual time between two looks at a feed; for tests. */
    pace: { type: 'string', default: '1' },
    /** How busy simulated buyers are from the start. */
    bustle: { type: 'string', default: 'off' },
  },
});

/** The demo's own code is there only where it is started. */
async function seedPast(ledger: Ledger, demo: string, data: string): Promise<void> {
  const past = await import('../demo/past/seedPast');
  await past.seedPast(ledger, demo, data);
}

void main();

async function main(): Promise<void> {
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    console.error(`--port takes a number from 1 to 65535, not “${values.port}”.`);
    process.exit(2);
  }
  const { demo, bustle } = values;
  if (!isPace(bustle)) {
    console.error(`--bustle takes ${Object.keys(PACES).join(', ')}, not “${bustle}”.`);
    process.exit(2);
  }
  const { data } = values;
  const sort = ATTIC_SORTS.find((one) => one === values.sort);
  if (data === undefined || (values.sort !== undefined && sort === undefined)) {
    console.error(`--data says in which folder the attic is; --sort takes ${ATTIC_SORTS.join(', ')}.`);
    process.exit(2);
  }
  try {
    const { address, courier, shelf, log } = await start({
      port,
      data,
      dist: values.dist,
      demo: demo ?? null,
      ...(sort ? { sort } : {}),
      command: values.command,
      ...(demo ? { before: (ledger: Ledger) => seedPast(ledger, demo, data) } : {}),
      restore: values.restore,
      pace: Number(values.pace) || 1,
      bustle,
    });
    process.on('unhandledRejection', (error) => log.fault('nobody waited for it', error));
    console.log(`Yonder Attic is at ${address}`);
    console.log(`The simulated marketplaces are at ${address}/outside`);
    if (demo) {
      const { seedDemo } = await import('../demo/seedDemo');
      await seedDemo(demo, courier, shelf, address);
    }
  } catch (error) {
    if (!(error instanceof StartTrouble)) throw error;
    console.error(error.message);
    process.exit(error.exitCode);
  }
}
