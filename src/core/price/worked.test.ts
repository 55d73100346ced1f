import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { parentsOf, takeHomeOf } from './takeHome';
import { workedPrices, WORKED } from '../../../scripts/workedPrices';

const file = readFileSync(join(__dirname, '../../../docs/worked-prices.md'), 'utf8');

describe('the twelve worked prices', () => {
  it('stand in the documents as the code works them out', () => expect(file).toBe(workedPrices()));
  it('are twelve over seven schedules', () => {
    expect(WORKED).toHaveLength(12);
    expect(new Set(WORKED.map((w) => w.sheet.marketplace)).size).toBe(7);
  });
  it.each(
    file
      .split('\n## ')
      .slice(1)
      .map((part, i) => [part.split('\n')[0], part, i] as const),
  )('%s: by hand and by the code the same is left', (_, part, i) => {
    const byHand = /^By hand: .*= (−?[\d.]+)$/mu.exec(part)?.[1] ?? '';
    const worked = WORKED[i]!;
    const { takeHome } = takeHomeOf(worked.sale, worked.sheet.fees, parentsOf(worked.sheet));
    expect((takeHome / 100).toFixed(2).replace('-', '−')).toBe(byHand);
  });
});
