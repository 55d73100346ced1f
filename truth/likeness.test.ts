import { figuresOf } from './figuresOf';

it('things photographed anew are found by their look, and what was never had is like nothing', async () => {
  const figures = await figuresOf('--short', 'likeness');
  expect(figures).toHaveLength(3);
  expect(figures.filter(({ holds }) => !holds)).toEqual([]);
}, 600_000);
