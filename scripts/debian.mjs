// Installs Debian's packages where something of them is not there yet.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

/**
 * @param packages by name, each with files of which one is there once it is installed
 * @param purpose what needs them, for whoever has to install them by hand
 */
export function installDebian(packages, purpose) {
  const missing = Object.keys(packages).filter((name) => !packages[name].some(existsSync));
  if (missing.length === 0) return;
  if (process.getuid?.() !== 0) {
    console.error(`${purpose}: install Debian’s packages (as root: apt-get install ${missing.join(' ')}).`);
    process.exit(1);
  }
  const options = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } };
  spawnSync('apt-get', ['update', '-qq'], options);
  const args = ['install', '-y', '-qq', '--no-install-recommends', ...missing];
  const got = spawnSync('apt-get', args, options);
  if (got.status !== 0) process.exit(got.status ?? 1);
}
