// npm run coverage: which lines the tests run, those in Node and those in browsers together.
//   -- node | browser     runs only these again, and takes the others from the last time
//   -- --files            also every file below its goal, with the lines that never ran
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

import { addVision, exportApp } from './build.mjs';
import { bundleServer, SERVER_BUNDLE } from './bundleServer.mjs';
import { linesThatRan, linesThatRun } from './coverage/lines.mjs';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');
process.chdir(ROOT);
const WORK = '.cache/coverage';
const APP = join(WORK, 'app');
const RAW = join(WORK, 'raw');
const kept = (part) => join(WORK, `${part}.json`);
const wanted = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const isWanted = (part) => wanted.length === 0 || wanted.includes(part);

/** What is counted together, and how much of it at least should run, per cent of lines. */
const GROUPS = [
  { name: 'core', goal: 95, holds: (f) => /^src\/(core|contract)\//.test(f) },
  { name: 'store', goal: 85, holds: (f) => f.startsWith('src/store/') },
  { name: 'features and parts', goal: 80, holds: (f) => /^src\/(features|parts|app)\//.test(f) },
  { name: 'server', goal: 90, holds: (f) => f.startsWith('server/') },
];
const isSource = (file) => /\.tsx?$/.test(file) && !/\.(test|d)\.tsx?$/.test(file);

function* sourcesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* sourcesBelow(path);
    else if (isSource(path)) yield path;
  }
}

/** file -> lines that ran, from several places */
class Ran {
  files = new Map();
  add(file, lines) {
    const known = this.files.get(file) ?? new Set();
    for (const line of lines) known.add(line);
    this.files.set(file, known);
  }
  keep(part) {
    writeFileSync(kept(part), JSON.stringify([...this.files].map(([file, lines]) => [file, [...lines]])));
  }
}

function jest(args, env = {}) {
  const done = spawnSync('node_modules/.bin/jest', args, {
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
  if (done.status !== 0) console.error('Not all tests are green: what follows is what ran nevertheless.');
}

function countNode() {
  jest(
    [
      ...['--coverage', '--coverageProvider', 'v8'],
      ...['--coverageReporters', 'json-summary', '--coverageDirectory', join(WORK, 'node')],
      ...[
        '--collectCoverageFrom',
        '{src,server}/**/*.{ts,tsx}',
        '--collectCoverageFrom',
        '!**/*.test.{ts,tsx}',
      ],
      ...['--reporters', 'default', '--reporters', './scripts/coverage/jestReporter.cjs'],
      ...['--selectProjects', 'core', 'server', 'sim', 'ui'],
    ],
    { COVERAGE_FILE: join(ROOT, kept('node')) },
  );
}

async function countBrowser() {
  exportApp(APP, ['--no-minify', '--source-maps', 'external']);
  addVision(APP);
  await bundleServer();
  rmSync(RAW, { recursive: true, force: true });
  jest(['--selectProjects', 'browser', '--maxWorkers', '3'], {
    ATTIC_APP: APP,
    COVERAGE: join(ROOT, RAW),
    NODE_V8_COVERAGE: join(ROOT, RAW),
  });
  const ran = new Ran();
  const known = new Map();
  const scriptOf = (url) => {
    const isServer = url.endsWith(`/${SERVER_BUNDLE}`);
    const file = isServer ? SERVER_BUNDLE : join(APP, decodeURIComponent(new URL(url).pathname));
    if (!known.has(file)) {
      const code = readFileSync(file, 'utf8');
      const map = readFileSync(`${file}.map`, 'utf8');
      known.set(file, { code, map: JSON.parse(map), isServer });
    }
    return known.get(file);
  };
  for (const name of readdirSync(RAW)) {
    const { result } = JSON.parse(readFileSync(join(RAW, name), 'utf8'));
    for (const { url, functions } of result) {
      if (!url.includes('/_expo/') && !url.endsWith(`/${SERVER_BUNDLE}`)) continue;
      const { code, map, isServer } = scriptOf(url);
      for (const [source, lines] of linesThatRan(functions, code, map)) {
        // The bundle's own folder is where its sources are told from; the app's are told from the project's.
        const file = isServer ? join(dirname(SERVER_BUNDLE), source) : source.replace(/^\/+/, '');
        ran.add(
          relative(ROOT, join(ROOT, file.startsWith(ROOT.slice(1)) ? relative(ROOT, `/${file}`) : file)),
          lines,
        );
      }
    }
  }
  ran.keep('browser');
}

mkdirSync(WORK, { recursive: true });
if (isWanted('node')) countNode();
if (isWanted('browser')) await countBrowser();

const ran = new Ran();
for (const part of ['node', 'browser'])
  if (existsSync(kept(part)))
    for (const [file, lines] of JSON.parse(readFileSync(kept(part), 'utf8'))) ran.add(file, lines);

const files = [...sourcesBelow('src'), ...sourcesBelow('server')].map((file) => {
  const all = linesThatRun(readFileSync(file, 'utf8'), file);
  const did = ran.files.get(file) ?? new Set();
  return { file, all: all.size, never: [...all].filter((line) => !did.has(line)) };
});
const percent = (all, never) => (all === 0 ? 100 : (100 * (all - never)) / all);
const sum = (of, figure) => of.reduce((total, f) => total + figure(f), 0);

for (const { name, goal, holds } of GROUPS) {
  const own = files.filter((f) => holds(f.file));
  const [all, never] = [sum(own, (f) => f.all), sum(own, (f) => f.never.length)];
  const value = Number(percent(all, never).toFixed(1));
  console.log(
    JSON.stringify({ name: `coverage.${name}`, value, unit: '%', goal, holds: value >= goal, lines: all }),
  );
  if (!process.argv.includes('--files')) continue;
  for (const f of own.sort((a, b) => b.never.length - a.never.length))
    if (percent(f.all, f.never.length) < goal)
      console.log(
        `  ${percent(f.all, f.never.length).toFixed(0).padStart(3)} % of ` +
          `${String(f.all).padStart(3)}  ${f.file}  ${runs(f.never)}`,
      );
}

/** 3, 4, 5, 9 -> 3–5 9 */
function runs(lines) {
  const said = [];
  for (const line of lines.sort((a, b) => a - b)) {
    const last = said.at(-1);
    if (last && line - last[1] <= 2) last[1] = line;
    else said.push([line, line]);
  }
  return said.map(([from, to]) => (from === to ? `${from}` : `${from}–${to}`)).join(' ');
}
