import { figuresOf } from './figuresOf';

let figures: Awaited<ReturnType<typeof figuresOf>> = [];
beforeAll(async () => {
  figures = await figuresOf('--short', 'measuring', 'cutting');
}, 1_800_000);

const value = (name: string) => figures.find((f) => f.name === name)?.value;

describe('pictures that nobody tuned for, a few of them (npm run truth: all)', () => {
  it('never measures wrongly without saying so', () => {
    expect(value('measuring.silentlyWrong')).toBe(0);
    expect(value('measuring.inventedWhereNoneLies')).toBe(0);
    expect(value('measuring.covered')).toBeGreaterThanOrEqual(0.95);
  });
  it('measures most of them', () => expect(value('measuring.right')).toBeGreaterThanOrEqual(0.5));
  it.each([
    ['plain', 0.9],
    ['boards', 0.9],
    ['hard', 0.85],
    ['patterned', 0.8],
  ])('cuts things out on floors that are %s', (sort, least) =>
    expect(value(`mask.${sort}`)).toBeGreaterThanOrEqual(least),
  );
  it('and says so where it can’t', () => expect(value('mask.poorButSure')).toBeLessThanOrEqual(0.1));
});
