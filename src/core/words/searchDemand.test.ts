import { rankSearchDemand } from './searchDemand';

const markets = {
  brackenmoor: [
    { word: 'sweater', count: 900 },
    { word: 'wool', count: 400 },
  ],
  threadwick: [
    { word: 'wool', count: 1_200 },
    { word: 'chunky', count: 300 },
  ],
};

it('ranks what buyers search over all marketplaces, and says where each word stands', () => {
  const texts = [
    { name: 'title', text: 'Navy wool gansey' },
    { name: 'description', text: 'A sweater of wool; woollen all through.' },
  ];
  expect(rankSearchDemand(markets, texts)).toEqual([
    {
      word: 'wool',
      counts: { brackenmoor: 400, threadwick: 1_200 },
      most: 1_200,
      usedIn: ['title', 'description'],
    },
    { word: 'sweater', counts: { brackenmoor: 900 }, most: 900, usedIn: ['description'] },
    { word: 'chunky', counts: { threadwick: 300 }, most: 300, usedIn: [] },
  ]);
});
it('finds words, not parts of words', () =>
  expect(
    rankSearchDemand({ m: [{ word: 'wool', count: 1 }] }, [{ name: 'title', text: 'woollen' }])[0]?.usedIn,
  ).toEqual([]));
