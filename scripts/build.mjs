// Exports the app when its sources changed, and compresses it for serving.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

import { writeServiceWorker } from './offline.mjs';
import { vision } from './vision.mjs';

const SOURCES = [
  'src',
  'assets',
  'app.json',
  'index.js',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
  'public',
  'scripts/offline.mjs',
  'scripts/serviceWorker.js',
  'scripts/textReader.js',
  'scripts/vision.mjs',
  'tsconfig.json',
];
const STAMP = '.cache/build.txt';

function* filesBelow(path) {
  if (!existsSync(path)) return;
  if (!statSync(path).isDirectory()) yield path;
  else for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name));
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of filesBelow(source))
      if (!/\.test\.tsx?$|^src\/testing\//.test(file)) hash.update(file).update(readFileSync(file));
  return hash.digest('hex');
}

/** Exports into dist/ unless it is up to date. */
export function build() {
  const print = fingerprint();
  if (existsSync('dist/index.html') && existsSync(STAMP) && readFileSync(STAMP, 'utf8') === print) return;
  console.log('Building the app …');
  exportApp('dist');
  for (const file of filesBelow('dist')) {
    if (!/\.(js|css|html|json|svg|ttf|wasm|map)$/.test(file)) continue;
    const bytes = readFileSync(file);
    if (bytes.length < 1_000) continue;
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
    );
  }
  addVision('dist');
  mkdirSync('.cache', { recursive: true });
  writeFileSync(STAMP, print);
}

/** What reads pictures is fetched by the app when it is wanted. */
export function addVision(folder) {
  cpSync(vision(), join(folder, 'vision'), { recursive: true });
}

/** Puts the app into an empty folder, as files to be served. */
export function exportApp(folder, options = []) {
  rmSync(folder, { recursive: true, force: true });
  const args = ['export', '--platform', 'web', '--output-dir', folder, ...options];
  const done = spawnSync('node_modules/.bin/expo', args, {
    stdio: ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', CI: '1', NODE_ENV: 'production' },
    encoding: 'utf8',
    maxBuffer: 64_000_000,
  });
  if (done.status !== 0 || !existsSync(join(folder, 'index.html'))) {
    console.error(done.stdout, done.stderr);
    throw new Error('The app could not be built.');
  }
  writeServiceWorker(
    folder,
    [...filesBelow(folder)].filter((f) => !f.endsWith('.map')).map((file) => file.slice(folder.length + 1)),
  );
}

if (process.argv[1]?.endsWith('build.mjs')) build();
