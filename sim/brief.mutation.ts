import { World } from './world';

// Everything that has to notice a mutant, in one file: what starts anew for each file would take longer than the tests.
import '@/core/courier/step.test';
import '@/core/courier/edges.test';
import '@/core/courier/links.test';
import '@/core/courier/promises.test';
import '@/core/courier/reconcile.test';
import '@/core/courier/known.test';

it('keeps its promises through a dozen evenings of faults', () => {
  for (let seed = 1; seed <= 12; seed += 1) expect(new World(seed).run().violations).toEqual([]);
});
