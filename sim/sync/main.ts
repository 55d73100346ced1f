import { keysOf } from '@/contract/fields';

import { noFigures } from './attic';
import { SyncWorld } from './world';
import { argument } from '../argument';

// `npm run sync-sim -- --seeds N --from S`: one attic on several devices, N times over.
const [seeds, from] = [argument('seeds', 1_000), argument('from', 1)];
const total = noFigures();
let failed = 0;
for (let seed = from; seed < from + seeds; seed += 1) {
  const { violations, story, figures } = new SyncWorld(seed).run();
  for (const key of keysOf(total)) total[key] += figures[key];
  if (violations.length === 0) continue;
  failed += 1;
  if (failed > 3) continue;
  console.log(`seed ${seed}:\n  ${violations.slice(0, 10).join('\n  ')}`);
  if (process.argv.includes('--whole')) console.log(story.join('\n'));
}
console.log(
  `${seeds} attics from seed ${from}: ${failed} failed; ${total.changes} changes, ` +
    `${total.asked} questions settled, ${total.wiped} devices and ${total.relaysWiped} relays wiped, ` +
    `${total.brought} came back with changes`,
);
process.exit(failed === 0 ? 0 : 1);
