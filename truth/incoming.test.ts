import { figuresOf } from './figuresOf';

let figures: Awaited<ReturnType<typeof figuresOf>> = [];
beforeAll(async () => {
  figures = await figuresOf('--short', 'showing', 'splitting');
}, 1_800_000);

const value = (name: string) => figures.find((f) => f.name === name)?.value;

describe('pictures that come in, a few of them (npm run truth: all)', () => {
  it.each(['front', 'detail', 'label', 'board'])('are known for showing a %s', (shows) =>
    expect(value(`showing.${shows}`)).toBeGreaterThanOrEqual(0.75),
  );
  it('of several things are told apart', () => {
    expect(value('splitting.timed')).toBeGreaterThanOrEqual(0.75);
    expect(value('splitting.untimed')).toBeGreaterThanOrEqual(0.7);
  });
});
