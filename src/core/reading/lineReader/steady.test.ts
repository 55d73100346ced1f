import type { LineRead } from './lineReader';
import { readSteadily } from './steady';
import type { Plane } from '../../pixels/pixels';

/** A strip with one upright stroke in its middle. */
function stroke(): Plane {
  const [width, height] = [100, 32];
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1) data.fill(1, y * width + 49, y * width + 51);
  return { width, height, data };
}

const said = (text: string, sure: number): LineRead => ({ text, sure: [...text].map(() => sure) });

/** How far a stroke's lower end stands to the right of its upper end, columns. */
function leanOf({ width, height, data }: Plane): number {
  const middle = (y: number) => {
    let [sum, ink] = [0, 0];
    for (let x = 0; x < width; x += 1) {
      sum += x * data[y * width + x]!;
      ink += data[y * width + x]!;
    }
    return sum / ink;
  };
  return middle(height - 1) - middle(0);
}

it('reads a line once where the reader is sure', () => {
  const read = jest.fn(() => said('53', 0.99));
  expect(readSteadily(read, stroke())).toEqual(said('53', 0.99));
  expect(read).toHaveBeenCalledTimes(1);
});

it('does not read again what was read already', () => {
  const read = jest.fn(() => said('58', 0.6));
  readSteadily(read, stroke(), said('53', 0.99));
  expect(read).not.toHaveBeenCalled();
});

it('draws an unsure one narrower, wider and leaning either way', () => {
  const seen: Plane[] = [];
  readSteadily((strip) => (seen.push(strip), said('53', 0.6)), stroke());
  expect(seen.map((strip) => strip.width)).toEqual([100, 85, 118, 100, 100]);
  // A fifth of a column a row, over 31 rows: 6.2.
  expect(seen.map(leanOf).map((lean) => Math.round(lean * 10) / 10)).toEqual([0, 0, 0, -6.2, 6.2]);
  // Nothing of the ink is lost.
  const ink = seen.map(({ data }) => data.reduce((sum, v) => sum + v, 0));
  expect(ink[3]).toBeCloseTo(ink[0]!, 0);
});

it('takes what the surest agree on, and of these the surest', () => {
  const all = [said('7', 0.9), said('1', 0.5), said('1 ', 0.6), said('2', 0.3), said('4', 0.2)];
  let at = 0;
  // 1.1 for the one, 0.9 for the seven.
  expect(readSteadily(() => all[at++]!, stroke())).toEqual(said('1 ', 0.6));
});

it('nothing stays nothing', () => {
  const read = jest.fn(() => said('', 0));
  expect(readSteadily(read, stroke()).text).toBe('');
  expect(read).toHaveBeenCalledTimes(1);
});
