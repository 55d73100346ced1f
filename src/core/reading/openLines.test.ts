import type { ReadLine } from '@/contract/picture';

import { openLines } from './openLines';

const line = (text: string, y: number, confidence = 90): ReadLine => ({
  text,
  confidence,
  box: [0.1, y, 0.5, 0.05],
});
const open = (page: ReadLine[], understood: ReadLine['box'][] = [], known: string[] = []) =>
  openLines({ page, line: [] }, understood, known).map((l) => l.text);

describe('lines that nothing was made of', () => {
  it('are those that are legible and stand where nothing was understood', () => {
    const lines = [
      line('KITTIWAKE MILLS', 0.1),
      line('T 44', 0.2),
      line('~ .. ;', 0.3),
      line('fold', 0.4, 40),
    ];
    expect(open(lines, [[0.1, 0.1, 0.5, 0.05]])).toEqual(['T 44']);
  });
  it('are not what the item says already, nor what is said on every label', () => {
    const lines = [
      line('KITTIWAKE  MILLS', 0.1),
      line('HAND WASH ONLY', 0.2),
      line('made in', 0.3),
      line('XQ', 0.4),
    ];
    expect(open(lines, [], ['Kittiwake Mills'])).toEqual(['XQ']);
  });
  it('are asked once where both readers have them, and never more than a few', () => {
    const both = openLines({ page: [line('T 44', 0.2)], line: [line('T 4A', 0.205)] }, [], []);
    expect(both.map((l) => l.text)).toEqual(['T 44']);
    expect(open(Array.from({ length: 20 }, (_, i) => line(`Q ${i}0`, i / 20)))).toHaveLength(6);
  });
});
