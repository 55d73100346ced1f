// npm run bench [-- NAME ...]: one JSON line a figure.
import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

import { build } from './build.mjs';
import { keepsMemory } from './memory.mjs';
import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));
installPackages();
build();
const done = spawnSync('node_modules/.bin/tsx', ['bench/main.ts', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, ...keepsMemory },
});
process.exit(done.status ?? 1);
