import { Item } from '@/contract/records';

import { answerAll } from './answerAll';
import type { Warning } from './warnings';
import { BUILT_IN } from '../kinds/tree';

const WAYS = { kinds: BUILT_IN, currency: 'EUR', units: 'metric' as const, groups: {} };
const item = (n: number, part: Partial<Item>): Item =>
  Item.parse({ id: `t${n}`, code: `YA-${n}`, author: 'me', createdAt: 1, updatedAt: 1, ...part });
const warning = ({ id }: Item, market: string): Warning => ({
  ...{ sort: 'blocked', item: id, market, finding: null, live: false, waivedAt: null },
});

describe('one value for all that have the same cause', () => {
  const bare = item(1, { kind: 'jumper' });
  const said = item(2, { kind: 'jumper', facts: { size: 'M' } });
  const items = { [bare.id]: bare, [said.id]: said };
  const of = [warning(bare, 'moor'), warning(bare, 'wick'), warning(said, 'wick')];

  it('is a fact where the item says none: every marketplace is answered', () => {
    const { facts } = answerAll({ of }, 'size', 'L', items, WAYS);
    expect(facts.changes.map(({ id, after }) => [id, after])).toEqual([[bare.id, 'L']]);
  });
  it('leaves what an item says as it is, and is said to that marketplace alone', () => {
    const { there } = answerAll({ of }, 'size', 'L', items, WAYS);
    expect(there).toEqual([warning(said, 'wick')]);
  });
  it('is said to the marketplace alone where the kind is not asked it', () => {
    const { facts, there } = answerAll({ of }, 'voltage', '230', items, WAYS);
    expect(facts.changes).toEqual([]);
    expect(there).toEqual(of);
  });
});
