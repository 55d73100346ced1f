// Writes the service worker that lets the app open and work with no connection: what it needs is fetched
// once, ahead.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** @param files paths of the exported app's files, relative to its folder */
export function writeServiceWorker(folder, files) {
  // What is loaded by address on first need (readers of barcodes and text) is kept once it was.
  const ahead = files.filter((f) => /\.(html|js|css|ttf|ico)$/.test(f) && !f.startsWith('vision/'));
  const version = createHash('sha256');
  for (const file of ahead) version.update(file).update(readFileSync(join(folder, file)));
  const template = readFileSync(new URL('./serviceWorker.js', import.meta.url), 'utf8');
  writeFileSync(
    join(folder, 'sw.js'),
    `const VERSION = ${JSON.stringify(version.digest('hex').slice(0, 16))};\nconst AHEAD = ${JSON.stringify(
      ahead.map((f) => `/${f}`),
    )};\n${template}`,
  );
}
