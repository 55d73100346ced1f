// npm test: installs what the tests need, then lint, types, unit, interface and browser tests.
//   -- core        only these Jest projects (core, server, sim, ui, browser)
import { spawn } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

import { installDebian } from './debian.mjs';
import { keepsMemory } from './memory.mjs';
import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));
const wanted = process.argv.slice(2);

/**
 * Runs something; what it says is printed in one piece when it is done, or as it comes.
 *
 * @returns whether it went well
 */
function run(command, args, { quietly = false, env = {} } = {}) {
  const name = `— ${command.replace('node_modules/.bin/', '')} ${args.join(' ')}`;
  if (!quietly) console.log(`\n${name}`);
  return new Promise((done) => {
    const child = spawn(command, args, {
      stdio: quietly ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      env: { ...process.env, ...keepsMemory, ...env },
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream?.on('data', (data) => (said += data));
    child.on('error', (error) => {
      console.error(error.message);
      done(false);
    });
    child.on('close', (code) => {
      if (quietly) console.log(`\n${name}\n${said.trimEnd()}`);
      done(code === 0);
    });
  });
}

/** One after the other, until one does not go well. */
async function inTurn(...works) {
  for (const work of works) if (!(await work())) return false;
  return true;
}

function end(isGood) {
  if (!isGood) process.exit(1);
}

const jest = (projects, workers, quietly = false) =>
  run('node_modules/.bin/jest', ['--ci', '--maxWorkers', String(workers), '--selectProjects', ...projects], {
    quietly,
  });
const npm = (script) => run('npm', ['run', '--silent', script], { quietly: true });

installPackages();
if (wanted.length === 0 || wanted.includes('browser'))
  installDebian(
    { 'chromium-headless-shell': ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'] },
    'The browser tests need Chromium',
  );

// What a browser waits for is seldom the machine: three at a time fill two cores.
if (wanted.length > 0) end(await jest(wanted, wanted.includes('browser') ? 3 : 2));
else {
  // All of it together keeps two cores busy to the end, which one after the other does not.
  const good = await Promise.all([
    inTurn(
      () => npm('lint'),
      () => npm('build'),
      () => npm('types'),
      () => npm('rooms'),
      () => npm('unused'),
    ),
    jest(['core', 'server', 'sim', 'ui'], 3, true),
  ]);
  end(good.every(Boolean));
  end(await jest(['browser'], 3));
}
