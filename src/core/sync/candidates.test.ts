import type { Candidate } from '@/contract/sync';

import { contested, withWritten } from './candidates';

const said = (by: string, value: unknown): Candidate => ({
  ...{ by, n: by === '' ? 0 : 1, at: 0, who: by },
  value,
});

describe('what stands beside what its author found', () => {
  const found = [said('', ['stain', 'tear'])];
  const brought = said('late00', ['tear', 'stain']);
  const seen = { desk00: 1, phone0: 1 };

  it('is the same where that was everybody’s already and where it was still told apart', () => {
    const apart = [said('desk00', ['tear']), said('phone0', ['stain'])];
    const here = withWritten(null, brought, seen, found);
    expect(withWritten(apart, brought, seen, found)).toEqual(here);
    expect(contested('items', 'flaws', here)).toHaveLength(2);
  });

  it('is not what somebody replaced since who had seen it', () => {
    const since = said('wide00', ['tear', 'hole']);
    expect(withWritten([since], brought, seen, found)).toEqual([{ ...brought, late: true }, since]);
  });

  it('is what others found, too, by the dot, and what nobody had seen', () => {
    const [one, other] = [said('desk00', ['tear']), said('wide00', ['hole'])];
    expect(withWritten([one, other], brought, seen, [one])).toEqual([one, { ...brought, late: true }, other]);
  });
});
