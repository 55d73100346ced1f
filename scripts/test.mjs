// npm test: installs what the tests need, then lint, types, unit, interface and browser tests.
//   -- core        only these Jest projects (core, ui, browser)
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

import { installPackages } from './packages.mjs';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));
const wanted = process.argv.slice(2);

function run(command, args, env = {}) {
  console.log(`\n— ${command.replace('node_modules/.bin/', '')} ${args.join(' ')}`);
  const done = spawnSync(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });
  if (done.status !== 0) process.exit(done.status ?? 1);
}

installPackages();
const needsBrowser = wanted.length === 0 || wanted.includes('browser');
if (needsBrowser && !existsSync('/usr/bin/chromium')) {
  if (process.getuid?.() !== 0) {
    console.error(
      'The browser tests need Chromium: install Debian’s package "chromium" (as root: apt-get install chromium).',
    );
    process.exit(1);
  }
  run('apt-get', ['update', '-qq']);
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
    DEBIAN_FRONTEND: 'noninteractive',
  });
}
if (wanted.length === 0) {
  run('npm', ['run', '--silent', 'lint']);
  run('npm', ['run', '--silent', 'types']);
}
const projects = wanted.length > 0 ? ['--selectProjects', ...wanted] : [];
run('node_modules/.bin/jest', ['--ci', ...projects]);
