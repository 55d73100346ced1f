import { parseArgs } from 'node:util';

import { compare } from './compare';

/** npm run parity -- --seeds N [--from M]: whether the check and every marketplace's own validator agree. */
const { values } = parseArgs({
  options: { seeds: { type: 'string', default: '400' }, from: { type: 'string', default: '1' } },
});
const parity = compare(Number(values.seeds), Number(values.from));
for (const d of parity.disagreements.slice(0, 200))
  console.log(`${d.sort} ${d.market} seed ${d.seed}: ${d.rule}`);
const missed = parity.disagreements.filter((d) => d.sort === 'missed').length;
const needless = parity.disagreements.length - missed;
console.log(
  `${parity.listings} listings, ${parity.accepted} accepted, ${parity.refused} refused; ` +
    `${parity.pairs} pairs sent together, ${parity.twins} of them twins; missed refusals ${missed}, ` +
    `needless blockers ${needless}`,
);
if (parity.disagreements.length > 0) process.exit(1);
