import { figuresOf } from './figuresOf';

let figures: Awaited<ReturnType<typeof figuresOf>> = [];
beforeAll(async () => {
  figures = await figuresOf('--short', 'reading');
}, 1_800_000);

const value = (name: string) => figures.find((f) => f.name === name)?.value;

describe('labels, boards and barcodes that nobody tuned for, a few of them (npm run truth: all)', () => {
  it('proposes what stands on labels, up to ten and to twenty degrees aslant', () => {
    expect(value('reading.labels.to10')).toBeGreaterThanOrEqual(0.9);
    expect(value('reading.labels.to20')).toBeGreaterThanOrEqual(0.8);
    expect(value('reading.labels.wrong')).toBeLessThanOrEqual(0.03);
  });
  it('proposes what is written on boards by hand, and doubts what it misreads', () => {
    expect(value('reading.boards.right')).toBeGreaterThanOrEqual(0.85);
    expect(value('reading.boards.wrong')).toBeLessThanOrEqual(0.03);
  });
  it.each(['tilted', 'small', 'faint'])('reads barcodes that are %s', (sort) =>
    expect(value(`reading.barcodes.${sort}`)).toBeGreaterThanOrEqual(0.95),
  );
  it('reads barcodes out of focus', () =>
    expect(value('reading.barcodes.blurred')).toBeGreaterThanOrEqual(0.6));
  it('never reads wrong digits', () => expect(value('reading.barcodes.wrongDigits')).toBe(0));
});
