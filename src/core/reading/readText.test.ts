import type { ReadLine } from '@/contract/picture';

import { readText, type Engines } from './readText';
import type { Plane } from '../pixels/pixels';
import { straightened, turnedOver } from '../pixels/written/straighten';
import { textBlocks } from '../pixels/written/textBlocks';

/** Strokes on one grey value, each a letter of an H's shape, in rows turned by an angle. */
function rows(angle: number, ink: number, paper: number): Plane {
  const [width, height] = [640, 480];
  const data = new Float32Array(width * height).fill(paper);
  const turn = (angle * Math.PI) / 180;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const u = (x - width / 2) * cos + (y - height / 2) * sin + 200;
      const v = (y - height / 2) * cos - (x - width / 2) * sin + 70;
      const [column, row] = [Math.floor(u / 25), Math.floor(v / 50)];
      // Sixteen letters in the first row, thirteen in the second, ten in the third.
      if (row < 0 || row > 2 || column < 0 || column >= 16 - 3 * row) continue;
      const [a, b] = [u - column * 25, v - row * 50];
      const isLetter = b < 22 && a < 16 && (a < 4 || a > 12 || (b > 9 && b < 13));
      if (isLetter) data[y * width + x] = ink;
    }
  return { width, height, data };
}

const line = (text: string, confidence = 95): ReadLine => ({ text, confidence, box: [0.1, 0.2, 0.6, 0.1] });
const known = (word: string) =>
  ['made', 'in', 'portugal', 'wool', 'hand', 'wash', 'only', 'chest'].includes(word);

describe('blocks of text', () => {
  it.each([
    [0, 30, 220],
    [17, 30, 220],
    [-20, 200, 60],
    [76, 40, 200],
  ])('are found at %d°, ink %d on paper %d', (angle, ink, paper) => {
    const [block] = textBlocks(rows(angle, ink, paper));
    expect(block).toBeDefined();
    expect(Math.abs((((block?.angle ?? 99) - angle + 270) % 180) - 90)).toBeLessThan(2);
    expect(block?.tall).toBeGreaterThan(17);
    expect(block?.tall).toBeLessThan(27);
    expect(block?.width).toBeGreaterThan(360);
    expect(block?.height).toBeGreaterThan(110);
  });
  it('are found on a floor of marks that could be letters, too', () => {
    const [width, height] = [1200, 900];
    const data = new Float32Array(width * height).fill(40);
    for (let y = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1) if (x % 50 < 22 && y % 50 < 22) data[y * width + x] = 220;
    // A label of three rows of small pale letters in the middle.
    const label = rows(0, 150, 200);
    for (let y = 0; y < 240; y += 1)
      for (let x = 0; x < 500; x += 1)
        data[(y + 330) * width + x + 350] = label.data[(y + 120) * label.width + x + 70] ?? 0;
    const found = textBlocks({ width, height, data });
    const small = found.filter((b) => b.ink === 'dark' && b.tall < 30 && b.width < 480);
    expect(small).toHaveLength(1);
    expect(small[0]?.x).toBeGreaterThan(500);
    expect(small[0]?.x).toBeLessThan(700);
  });
  it('end where the board ends, on a mat whose squares could be letters, too', () => {
    const [width, height] = [800, 620];
    // Dark squares between lines a little lighter, aslant as the board is not.
    const data = Float32Array.from({ length: width * height }, (_, p) => {
      const [x, y] = [p % width, Math.floor(p / width)];
      const [u, v] = [x + 0.05 * y, y - 0.05 * x + 100];
      return u % 24 < 3 || v % 24 < 3 ? 125 : 70;
    });
    const board = rows(0, 40, 200);
    for (let y = 0; y < 240; y += 1)
      for (let x = 0; x < 500; x += 1)
        data[(y + 190) * width + x + 150] = board.data[(y + 120) * board.width + x + 70] ?? 0;
    const [block] = textBlocks({ width, height, data });
    expect(block?.ink).toBe('dark');
    expect(block?.x).toBeGreaterThan(350);
    expect(block?.x).toBeLessThan(450);
    expect(block?.width).toBeGreaterThan(360);
    expect(block?.width).toBeLessThan(520);
    expect(block?.height).toBeLessThan(260);
  });
  it('are not found on plain paper', () => expect(textBlocks(rows(0, 200, 200))).toEqual([]));
  it('are dark on light once they are straight, whichever they were', () => {
    for (const [ink, paper] of [
      [30, 220],
      [200, 60],
    ] as const) {
      const grey = rows(12, ink, paper);
      const [block] = textBlocks(grey);
      if (!block) throw new Error('no block');
      const { plane } = straightened(grey, block, false);
      const mean = plane.data.reduce((sum, v) => sum + v, 0) / plane.data.length;
      expect(mean).toBeGreaterThan(150);
    }
  });
  it('are the same turned over as cut out with the other end up', () => {
    const grey = rows(12, 30, 220);
    const [block] = textBlocks(grey);
    if (!block) throw new Error('no block');
    const [over, anew] = [turnedOver(straightened(grey, block, false)), straightened(grey, block, true)];
    const apart = over.plane.data.reduce((sum, v, p) => sum + Math.abs(v - (anew.plane.data[p] ?? 0)), 0);
    expect(apart / over.plane.data.length).toBeLessThan(0.5);
    const [from, to] = [over.toPicture(0.2, 0.3), anew.toPicture(0.2, 0.3)];
    expect(from.x).toBeCloseTo(to.x, 6);
    expect(from.y).toBeCloseTo(to.y, 6);
  });
});

describe('reading', () => {
  /** A reader of pages that answers so, and one of lines that is sure of letters that say nothing. */
  const reader = (...pages: ReadLine[][]) => {
    let n = 0;
    const engines = (said = 'QXZ', sure = 0.98): Engines => ({
      page: () => Promise.resolve(pages[n++] ?? []),
      line: () => ({ text: said, sure: Array.from(said, () => sure) }),
    });
    return { engines, asked: () => n };
  };
  it('is done the other way up where there are no words that exist, however sure the reader is', async () => {
    const { engines, asked } = reader(
      [line('AINO HSVM ANVH', 96)],
      [line('MADE IN PORTUGAL'), line('HAND WASH ONLY')],
    );
    const { page } = await readText(rows(0, 30, 220), engines(), known);
    expect(page.map((l) => l.text)).toEqual(['MADE IN PORTUGAL', 'HAND WASH ONLY']);
    expect(asked()).toBe(2);
  });
  it('says nothing where nothing makes sense', async () =>
    expect(await readText(rows(0, 30, 220), reader([line('qq zz', 30)]).engines(), known)).toEqual({
      page: [],
      line: [],
    }));
  it('does not ask the slow reader about marks that the other is not sure of at either end', async () => {
    const { engines, asked } = reader([line('MADE IN PORTUGAL')]);
    // Thirty rows, as knitting has them.
    const three = rows(0, 30, 220);
    const part = three.data.slice(170 * three.width, 320 * three.width);
    const data = new Float32Array(10 * part.length);
    for (let k = 0; k < 10; k += 1) data.set(part, k * part.length);
    const knitting = { width: three.width, height: 1_500, data };
    const found = await readText(knitting, engines('QXZ', 0.5), known);
    expect([found, asked()]).toEqual([{ page: [], line: [] }, 0]);
    // A word that exists is worth a look, however unsure it was; a few rows are as well.
    await readText(knitting, engines('WOOL', 0.5), known);
    const before = asked();
    expect(before).toBeGreaterThan(0);
    await readText(three, engines('QXZ', 0.55), known);
    const more = asked();
    expect(more).toBeGreaterThan(before);
    // Of a few the own reader need be less sure; below that they are marks, too.
    await readText(three, engines('QXZ', 0.45), known);
    expect(asked()).toBe(more);
  });
  it('looks again where shares do not come to a hundred', async () => {
    const { engines } = reader(
      [line('MADE IN PORTUGAL'), line('88% WOOL')],
      [line('MADE IN PORTUGAL'), line('100% WOOL')],
    );
    const { page } = await readText(rows(0, 30, 220), engines(), known);
    expect(page[1]?.text).toBe('100% WOOL');
  });
  it('asks the reader of lines of each row, the uppermost first, and how sure its figures are', async () => {
    const said = ['MADE IN', 'CHEST 54', 'WOOL'];
    const { engines } = reader([]);
    const { page, line: own } = await readText(
      rows(0, 30, 220),
      {
        ...engines(),
        // The rows are of sixteen, thirteen and ten letters.
        line: ({ width }) => {
          const text = said[width > 400 ? 0 : width > 320 ? 1 : 2] ?? '';
          return { text, sure: Array.from(text, (c) => (c === '4' ? 0.6 : 0.9)) };
        },
      },
      known,
    );
    expect(page).toEqual([]);
    expect(own.map((l) => l.text)).toEqual(said);
    expect(own.map((l) => Math.round(l.weakest ?? 0))).toEqual([100, 60, 100]);
    expect(own.map((l) => l.box[1])).toEqual(own.map((l) => l.box[1]).sort());
  });
  it('tells where in the picture a line stands', async () => {
    const { page } = await readText(
      rows(0, 30, 220),
      reader([line('MADE IN PORTUGAL'), line('HAND WASH ONLY')]).engines(),
      known,
    );
    const [found] = page;
    const [x, y, w, h] = found?.box ?? [0, 0, 0, 0];
    expect(x).toBeGreaterThan(0.1);
    expect(x + w).toBeLessThan(0.95);
    expect(y).toBeGreaterThan(0.2);
    expect(y + h).toBeLessThan(0.8);
  });
});
