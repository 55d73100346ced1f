// npm run demo: installs what is missing, builds what is stale, starts with the demo world.
//   -- --fresh        an empty attic of your own (earlier ones are kept beside it)
//   -- --port 9000    another port
//   -- --bustle lively   simulated buyers come by: off, quiet, lively or rush
//   -- --restore      goes on with the kept copy of a ledger that can't be read
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';

import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));

let values;
try {
  ({ values } = parseArgs({
    options: {
      fresh: { type: 'boolean', default: false },
      port: { type: 'string', default: '8417' },
      bustle: { type: 'string', default: 'off' },
      restore: { type: 'boolean', default: false },
    },
  }));
} catch (error) {
  console.error(
    `${error.message}\nUse: npm run demo -- [--fresh] [--port NUMBER] [--bustle PACE] [--restore]`,
  );
  process.exit(2);
}

installPackages();
const { build } = await import('./build.mjs');
build();

const data = values.fresh ? `.attic/fresh-${new Date().toISOString().replace(/[:.]/g, '-')}` : '.attic/demo';
mkdirSync(data, { recursive: true });
const world = '.cache/demo';
if (
  !values.fresh &&
  spawnSync('node_modules/.bin/tsx', ['demo/build.ts', world], { stdio: 'inherit' }).status !== 0
)
  process.exit(1);
const server = spawn(
  process.execPath,
  [
    '--import',
    'tsx',
    'server/main.ts',
    '--port',
    values.port,
    '--data',
    data,
    ...(values.fresh ? [] : ['--demo', world]),
    '--bustle',
    values.bustle,
    ...(values.restore ? ['--restore'] : []),
  ],
  { stdio: 'inherit' },
);
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
