import type { Comp } from '@/contract/comps';

import { rankPlaces } from './best';
import type { Examined } from '../listing/examine';
import type { JudgedComp } from '../price/comps';

const examined = (market: string, takeHome: number | null, part: Partial<Examined> = {}) =>
  ({
    sheet: { marketplace: market, name: market },
    effective: { category: { id: 'c' } },
    findings: [],
    takeHome: takeHome === null ? null : { takeHome },
    ...part,
  }) as unknown as Examined;
const comps = (market: string, sold: number, unsold: number, days: number): JudgedComp[] =>
  Array.from({ length: sold + unsold }, (_, i) => ({
    comp: {
      id: `${i}`,
      market,
      sold: i < sold,
      price: 4_000,
      listedAt: 0,
      endedAt: days * 86_400_000,
    } as Comp,
    counts: true,
    why: null,
  }));

it('puts the place first that leaves most for the chance of selling there', () => {
  const places = rankPlaces(
    [examined('dear', 4_000), examined('likely', 3_800), examined('slow', 3_900)],
    [...comps('dear', 2, 8, 10), ...comps('likely', 9, 1, 5), ...comps('slow', 9, 1, 300)],
  );
  expect(places.map((p) => p.market)).toEqual(['likely', 'slow', 'dear']);
  expect(places[0]?.reasons).toContainEqual({ code: 'soldThere', params: { share: 0.9, sold: 9 } });
});
it('takes half for what nobody knows, and says so', () => {
  const [place] = rankPlaces([examined('new', 4_000)], []);
  // By hand: half of 4,000, and a twentieth off for a month of waiting: 1,900.
  expect(place).toMatchObject({ expected: 1_900, sellThrough: null });
  expect(place?.reasons.map((r) => r.code)).toEqual(['leaves', 'tooFewOffered']);
});
it('puts those last that take nothing of the sort, refuse it, or lack a price, with why', () => {
  const none = examined('none', 4_000, { effective: { category: null } as Examined['effective'] });
  const stopped = examined('stopped', 4_000, {
    findings: [{ level: 'blocker', field: 'title', code: 'titleMissing', params: {} }],
  });
  const places = rankPlaces([none, stopped, examined('priceless', null), examined('fine', 100)], []);
  expect(places[0]?.market).toBe('fine');
  expect(
    places
      .slice(1)
      .map((p) => p.reasons[0]?.code)
      .sort(),
  ).toEqual(['needsPrice', 'nothingOfTheSort', 'stopped']);
});
