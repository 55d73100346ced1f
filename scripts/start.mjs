// npm start: your own attic, kept in one folder: yonder-attic, in your home directory.
//   -- --attic FOLDER   another folder; also by the environment variable YONDER_ATTIC
//   -- --port 9000      another port
//   -- --restore        goes on with the kept copy of a ledger that can't be read
import { mkdirSync } from 'node:fs';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';

// As it was typed from, before this moves to where the product is.
const from = process.env.INIT_CWD ?? process.cwd();
const { makeReady, serve, typed } = await import('./serve.mjs');

const values = typed(
  {
    attic: { type: 'string' },
    // Not the demo's: to browsers that is another place, and nothing of the two is ever kept together.
    port: { type: 'string', default: '8418' },
    restore: { type: 'boolean', default: false },
  },
  'npm start -- [--attic FOLDER] [--port NUMBER] [--restore]',
);
const chosen = values.attic ?? process.env.YONDER_ATTIC;
const folder = chosen ? resolve(from, chosen) : join(homedir(), 'yonder-attic');

await makeReady();
try {
  mkdirSync(folder, { recursive: true });
} catch (error) {
  console.error(`The folder “${folder}” can’t be made (${error.code}). Name another one with --attic.`);
  process.exit(1);
}
console.log(`Your attic is kept in ${folder}`);
const again = `npm start --${values.attic ? ` --attic ${JSON.stringify(values.attic)}` : ''}`;
serve([
  ...['--port', values.port, '--data', folder, '--sort', 'own', '--command', again],
  ...(values.restore ? ['--restore'] : []),
]);
