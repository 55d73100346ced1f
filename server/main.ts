import { join } from 'node:path';
import { parseArgs } from 'node:util';

import { PortTaken, start } from './start';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '8417' },
    data: { type: 'string' },
    dist: { type: 'string', default: 'dist' },
    /** Folder of the demo world; left out, the attic begins empty. */
    demo: { type: 'string' },
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
    const { address, courier, shelf } = await start({
      port,
      data: values.data ?? join('.attic', 'own'),
      dist: values.dist,
      demo: values.demo ?? null,
    });
    console.log(`Yonder Attic is at ${address}`);
    console.log(`The simulated marketplaces are at ${address}/outside`);
    if (values.demo) {
      const { furnish } = await import('../demo/furnish');
      await furnish(values.demo, courier, shelf, address);
    }
  } catch (error) {
    if (!(error instanceof PortTaken)) throw error;
    console.error(
      `${error.message} Another Yonder Attic may be running; or choose a port: npm run demo -- --port ${port + 1}`,
    );
    process.exit(1);
  }
}
