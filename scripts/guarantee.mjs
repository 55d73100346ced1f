// npm run guarantee [-- --seeds N]: measures what the courier promises, and writes it to docs/guarantee.md.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

process.chdir(join(dirname(fileURLToPath(import.meta.url)), '..'));
const at = process.argv.indexOf('--seeds');
const seeds = at < 0 ? 10_000 : Number(process.argv[at + 1]);
const MUTANTS = '.cache/mutation.json';

const run = (command, args) => {
  const done = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64_000_000 });
  process.stderr.write(done.stderr ?? '');
  return done;
};

console.log(`${seeds} simulated evenings …`);
const sim = run('node_modules/.bin/tsx', ['sim/main.ts', '--seeds', String(seeds)]);
const evenings = sim.stdout.trim().split('\n').at(-1);

console.log('Benchmarks …');
const bench = run('node', ['scripts/bench.mjs', 'closing', 'courier']);
const figures = bench.stdout
  .split('\n')
  .filter((line) => line.startsWith('{'))
  .map((line) => JSON.parse(line));

if (!existsSync(MUTANTS)) {
  console.log('Mutants (this takes a while) …');
  run('node_modules/.bin/stryker', ['run']);
}
const { files } = JSON.parse(readFileSync(MUTANTS, 'utf8'));
const byFile = Object.entries(files).map(([file, { mutants }]) => {
  const count = (...states) => mutants.filter((m) => states.includes(m.status)).length;
  return {
    file: file.split('/').at(-1),
    found: count('Killed', 'Timeout'),
    missed: count('Survived', 'NoCoverage'),
  };
});
const total = byFile.reduce((sum, f) => ({ found: sum.found + f.found, missed: sum.missed + f.missed }), {
  found: 0,
  missed: 0,
});
const share = ({ found, missed }) => `${((100 * found) / Math.max(1, found + missed)).toFixed(1)} %`;

const GOALS = {
  'closing.saleKnownToAllWithdrawn': 'from the sale being known to all withdrawn, marketplaces at 400 ms',
  'closing.overSlowestAnswer': 'the same over the slowest marketplace’s own answer time',
  'closing.othersWhileOneIsThirtyTimesSlower':
    'the others’ withdrawal over their own answer time, while one takes thirty times as long',
  'courier.decisionsASecond': 'events decided a second, in memory',
  'courier.eventsASecondKept': 'events a second, each kept durably before the next',
  'courier.salesLost': 'lost of 500 sales, 83 a second, over 5,000 live items',
  'courier.soldAndStillUp': 'of these, still up somewhere afterwards',
  'courier.withdrawnUnasked': 'listings of other items that were taken down by mistake',
  'courier.closingOfManyP95': 'closing of one of these, 95th percentile, marketplaces at 200 ms',
  'courier.millionLinesReadFromTheStart': 'a ledger of a million lines read from its start',
  'courier.millionLinesOpened': 'the same opened as it is every day, from what was kept of it',
};
const rows = figures.map((f) => {
  const goal = f.goal === undefined ? '' : `at most ${f.goal}${f.holds ? '' : ' (**not held**)'}`;
  return `| ${GOALS[f.name] ?? f.name} | ${f.value} ${f.unit} | ${goal} | \`${f.name}\` |`;
});

const cores = cpus().length;
const day = new Date().toISOString().slice(0, 10);
writeFileSync(
  'docs/guarantee.md',
  `# The courier's guarantee, in figures

Written by \`npm run guarantee\` on ${day}, on ${cores} cores. Do not edit: run it again.

## What is promised

1. No sale is lost, whoever tells of it: webhook, feed, poll, a tick by hand, an answer to another call.
2. Nothing is put up after its sale is known.
3. What is sold comes down everywhere else, or stays red until it has.
4. No item is up twice on one marketplace. Only where the whole ledger was lost, a call from before may
   make a second listing, until the next comparison takes it down.
5. Two sales of one item are never silent: the earlier stays, the later is put before a person.
6. Of an item with variations, what was there is sold or still there; one sold too often is told of.
7. No command is lost, and none is carried out twice.
8. Nothing is taken down that was not sold, promised or asked for.
9. What opens from a snapshot is what reading the whole ledger gives.

## Simulation

Seven marketplaces, one of them worked by hand; calls lost, late, answered twice or not at all; outages,
keys that run out, requests to slow down; webhooks lost, doubled, reordered; listings that end without a
word; promises made and let go, sales undone; clocks that jump; a disk that is full; power cut at any
moment, also in the middle of a line; the whole ledger lost, and all that a page knew. What runs is the
server's own courier (\`server/courier/courier.ts\`) with everything around it simulated: its ledger's
disk, its clock and timers, its calls. Every choice comes from the seed, so an evening can be run again.

\`\`\`
${evenings}
\`\`\`

Again: \`npm run sim -- --seeds ${seeds}\`. One evening, told whole: \`npm run sim -- --seeds 1 --from
SEED --whole\`. \`npm test\` runs 1,000, and four couriers broken on purpose, each of which has to be
found out.

## Mutants

The core of the courier (\`src/core/courier\`) is broken in every small way, words left aside, and its
tests and a dozen simulated evenings are run on each: they notice **${share(total)}** of ${
    total.found + total.missed
  } (goal 85 %).

| file | noticed | of |
| --- | --- | --- |
${byFile.map((f) => `| ${f.file} | ${share(f)} | ${f.found + f.missed} |`).join('\n')}

Again: \`npm run mutate\`.

## Measured

| what | value | goal | figure |
| --- | --- | --- | --- |
${rows.join('\n')}

Again: \`npm run bench -- closing courier\`.

## What it does not cover

Where nobody can be called (Handbill) the courier can only ask a person, and stays red until that person
says it is done. Between a buyer's press on one marketplace and the news of it lies that marketplace's
own delay: in it a second buyer may be as quick elsewhere. That is what promise 5 is for. `,
);
console.log('docs/guarantee.md is written.');
process.exit(sim.status === 0 && figures.every((f) => f.holds !== false) ? 0 : 1);
