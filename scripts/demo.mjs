// npm run demo: installs what is missing, builds what is stale, starts with the demo world.
//   -- --fresh        an empty attic to try things in (earlier ones are kept beside it)
//   -- --port 9000    another port
//   -- --bustle lively   simulated buyers come by: off, quiet, lively or rush
//   -- --restore      goes on with the kept copy of a ledger that can't be read
import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';

import { makeReady, serve, typed } from './serve.mjs';

const values = typed(
  {
    fresh: { type: 'boolean', default: false },
    port: { type: 'string', default: '8417' },
    bustle: { type: 'string', default: 'off' },
    restore: { type: 'boolean', default: false },
  },
  'npm run demo -- [--fresh] [--port NUMBER] [--bustle PACE] [--restore]',
);
await makeReady();

const data = values.fresh ? `.attic/fresh-${new Date().toISOString().replace(/[:.]/g, '-')}` : '.attic/demo';
mkdirSync(data, { recursive: true });
const world = '.cache/demo';
if (
  !values.fresh &&
  spawnSync('node_modules/.bin/tsx', ['demo/build.ts', world], { stdio: 'inherit' }).status !== 0
)
  process.exit(1);
serve([
  ...['--port', values.port, '--data', data, '--bustle', values.bustle, '--command', 'npm run demo --'],
  ...(values.fresh ? ['--sort', 'trial'] : ['--sort', 'demo', '--demo', world]),
  ...(values.restore ? ['--restore'] : []),
]);
