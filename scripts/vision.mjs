// Gathers what the app loads by address when it is first needed: readers of barcodes and text, HEIC, a font
// for figures.
import { createHash } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const FILES = [
  'zxing-wasm/dist/reader/zxing_reader.wasm',
  'libheif-js/libheif-wasm/libheif-bundle.js',
  'tesseract.js/dist/worker.min.js',
  'tesseract.js-core/tesseract-core-lstm.wasm.js',
  'tesseract.js-core/tesseract-core-simd-lstm.wasm.js',
  'tesseract.js-core/tesseract-core-relaxedsimd-lstm.wasm.js',
  '@tesseract.js-data/eng/4.0.0_best_int/eng.traineddata.gz',
  // Our own reader of lines (training/README.md).
  '../assets/lineReader.bin',
  '../scripts/textReader.js',
  '@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf',
];
const FOLDER = '.cache/vision';

/** The folder with the files, compressed beside themselves; made anew when the packages changed. */
export function vision() {
  const print = createHash('sha256')
    .update(readFileSync('package-lock.json'))
    .update(readFileSync('assets/lineReader.bin'))
    .update(readFileSync('scripts/textReader.js'))
    .update(FILES.join())
    .digest('hex');
  const stamp = join(FOLDER, 'stamp.txt');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return FOLDER;
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  for (const file of FILES) {
    const to = join(FOLDER, file.split('/').at(-1));
    copyFileSync(join('node_modules', file), to);
    if (!to.endsWith('.gz')) writeFileSync(`${to}.gz`, gzipSync(readFileSync(to), { level: 8 }));
  }
  writeFileSync(stamp, print);
  return FOLDER;
}
