import { keysOf } from '@/contract/fields';

import { argument } from './argument';
import { shortStory } from './story';
import { World } from './world';

/*
 * `npm run sim -- --seeds N --from S`: runs the courier through N simulated evenings. `--whole` tells the
 * whole story of one that failed, not only what bears on the item it failed by.
 */
async function main(): Promise<number> {
  const seeds = argument('seeds', 1_000);
  const from = argument('from', 1);
  const limits = {
    heldBack: argument('held-back', 0),
    alike: process.argv.includes('--alike'),
    ...(process.argv.includes('--cap') ? { cap: argument('cap', 1) } : {}),
  };
  const whole = process.argv.includes('--whole');
  const total = { orders: 0, doubles: 0, crashes: 0, lostAnswers: 0 };
  let failed = 0;
  for (let seed = from; seed < from + seeds; seed += 1) {
    const { violations, story, figures } = await new World(seed, undefined, limits).run();
    for (const key of keysOf(total)) total[key] += figures[key];
    if (violations.length === 0) continue;
    failed += 1;
    if (failed > 3) continue;
    const told = whole ? story : shortStory(story, violations);
    console.log(`seed ${seed}:\n  ${violations.join('\n  ')}\n${told.join('\n')}`);
    console.log(`  Again, and whole: npm run sim -- --seeds 1 --from ${seed} --whole\n`);
  }
  console.log(
    `${seeds} evenings from seed ${from}: ${failed} failed; ${total.orders} sales, ` +
      `${total.doubles} sold twice, ` +
      `${total.crashes} crashes, ${total.lostAnswers} lost answers`,
  );
  return failed === 0 ? 0 : 1;
}

main().then(
  (code) => process.exit(code),
  (error: unknown) => {
    console.error(error);
    process.exit(1);
  },
);
