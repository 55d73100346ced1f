// npm run truth [-- --tuning | --short]: one JSON line a figure.
import { spawnSync } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

import { keepsMemory } from './memory.mjs';
import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));
installPackages();
const done = spawnSync('node_modules/.bin/tsx', ['truth/main.ts', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, ...keepsMemory },
});
process.exit(done.status ?? 1);
