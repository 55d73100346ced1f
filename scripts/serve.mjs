// Builds what is stale and starts the server: what `npm start` and `npm run demo` have in common.
import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';

import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));

/** What was typed behind the command; says how it is used where that is not understood. */
export function typed(options, usage) {
  try {
    return parseArgs({ options }).values;
  } catch (error) {
    console.error(`${error.message}\nUse: ${usage}`);
    process.exit(2);
  }
}

/** Installs what is missing, builds what is stale. */
export async function makeReady() {
  installPackages();
  const { build } = await import('./build.mjs');
  build();
}

/** Runs the server with these arguments until one of the two ends. */
export function serve(args) {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts', ...args], {
    stdio: 'inherit',
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
  server.on('exit', (code) => process.exit(code ?? 0));
}
