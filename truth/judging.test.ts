import { figuresOf } from './figuresOf';
import { ASPECTS } from './judged';

let figures: Awaited<ReturnType<typeof figuresOf>> = [];
beforeAll(async () => {
  figures = await figuresOf('--tuning', 'judging');
}, 1_200_000);

const value = (name: string) => figures.find((f) => f.name === name)?.value;

describe('what is said of more than 400 pictures that nobody tuned for', () => {
  it('is asked of so many', () => expect(value('judged.cases')).toBeGreaterThan(400));
  it.each(ASPECTS)('%s: found in nine of ten, and seldom where it is not', (aspect) => {
    expect(value(`judged.${aspect}.found`)).toBeGreaterThanOrEqual(0.9);
    expect(value(`judged.${aspect}.false`)).toBeLessThanOrEqual(0.03);
  });
});
