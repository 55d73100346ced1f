import { figuresOf } from './figuresOf';
import { type Aspect } from './judged';

let figures: Awaited<ReturnType<typeof figuresOf>> = [];
// 432 pictures are drawn and looked at: five minutes on a quiet machine, several times that on a busy one.
beforeAll(async () => {
  figures = await figuresOf('--tuning', 'judging');
}, 1_200_000);

const value = (name: string) => figures.find((f) => f.name === name)?.value;

/**
 * Least share found, most share said where it is not so. The goals are 0.9 and 0.03 (`npm run truth`);
 * where they are not reached yet, what is reached may not be lost.
 */
const KEPT: Record<Aspect, readonly [number, number]> = {
  sharpness: [0.9, 0.03],
  dark: [0.9, 0.03],
  tooBright: [0.9, 0.03],
  cutOff: [0.83, 0.03],
  fill: [0.9, 0.03],
  background: [0.9, 0.07],
  writing: [0.8, 0.03],
  duplicate: [0.9, 0.03],
};

describe('what is said of more than 400 pictures that nobody tuned for', () => {
  it('is asked of so many', () => expect(value('judged.cases')).toBeGreaterThan(400));
  it.each(Object.entries(KEPT))('%s is found, and seldom said where it is not', (aspect, [found, wrong]) => {
    expect(value(`judged.${aspect}.found`)).toBeGreaterThanOrEqual(found);
    expect(value(`judged.${aspect}.false`)).toBeLessThanOrEqual(wrong);
  });
});
