import { join } from 'node:path';
import { parseArgs } from 'node:util';

import { StartTrouble } from './faults/startTrouble';
import { start } from './start';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '8417' },
    data: { type: 'string' },
    dist: { type: 'string', default: 'dist' },
    /** Folder of the demo world; left out, the attic begins empty. */
    demo: { type: 'string' },
    /** Goes on with the kept copy of the ledger. */
    restore: { type: 'boolean', default: false },
    /** Part of the usual time between two looks at a feed; for tests. */
    pace: { type: 'string', default: '1' },
  },
});

void main();

async function main(): Promise<void> {
  const port = Number(values.port);
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    console.error(`--port takes a number from 1 to 65535, not “${values.port}”.`);
    process.exit(2);
  }
  try {
    const { address, courier, shelf, log } = await start({
      port,
      data: values.data ?? join('.attic', 'own'),
      dist: values.dist,
      demo: values.demo ?? null,
      restore: values.restore,
      pace: Number(values.pace) || 1,
    });
    process.on('unhandledRejection', (error) => log.fault('nobody waited for it', error));
    console.log(`Yonder Attic is at ${address}`);
    console.log(`The simulated marketplaces are at ${address}/outside`);
    if (values.demo) {
      const { seedDemo } = await import('../demo/seedDemo');
      await seedDemo(values.demo, courier, shelf, address);
    }
  } catch (error) {
    if (!(error instanceof StartTrouble)) throw error;
    console.error(error.message);
    process.exit(error.exitCode);
  }
}
