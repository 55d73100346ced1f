// npm test: installs what the tests need, then lint, types, unit, interface and browser tests.
//   -- core        only these Jest projects (core, ui, browser)
import { execFile, spawnSync } from 'node:child_process';
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

/** Runs something beside other things; what it said is printed when it is done. Ends with what went wrong, or null. */
function beside(script) {
  return new Promise((done) =>
    execFile('npm', ['run', '--silent', script], { maxBuffer: 64_000_000 }, (error, said, complained) => {
      console.log(`\n— ${script}\n${said}${complained}${error?.message ?? ''}`.trimEnd());
      done(error);
    }),
  );
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
  // None of them keeps more than a core busy for long.
  const troubles = await Promise.all([beside('lint'), beside('types'), beside('build')]);
  if (troubles.some(Boolean)) process.exit(1);
}
const projects = wanted.length > 0 ? ['--selectProjects', ...wanted] : [];
run('node_modules/.bin/jest', ['--ci', ...projects]);
