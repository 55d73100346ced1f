import { readdirSync } from 'node:fs';
import { join } from 'node:path';

import { World } from './world';

// Everything that has to notice a mutant, in one file: what starts anew for each file would take longer than
// the tests.
const courier = join(__dirname, '../src/core/courier');
for (const name of readdirSync(courier))
  if (name.endsWith('.test.ts')) jest.requireActual(join(courier, name));

it('keeps its promises through a dozen evenings of faults', async () => {
  for (let seed = 1; seed <= 12; seed += 1) expect((await new World(seed).run()).violations).toEqual([]);
});
