import type { Card } from './catalogue';
import { dice } from '../kit/dice';
import { pngOf } from '../kit/png';

const SIZE = { width: 120, height: 160 };
/** Papers and inks of covers. */
const COLOURS = [
  [38, 70, 83],
  [42, 120, 110],
  [201, 150, 60],
  [196, 98, 64],
  [120, 44, 52],
  [90, 84, 130],
  [214, 206, 186],
  [58, 58, 60],
] as const;

/** The cover of a card's item: a ground, a band where its name would stand, one shape; always the same. */
export function coverOf({ code, under }: Pick<Card, 'code' | 'under'>): Uint8Array<ArrayBuffer> {
  const roll = dice(Number(code.slice(2, 12)));
  const pick = () => Math.floor(roll() * COLOURS.length);
  const ground = pick();
  const shape = (ground + 1 + Math.floor(roll() * (COLOURS.length - 1))) % COLOURS.length;
  // A record's sleeve is square.
  const { width } = SIZE;
  const height = under[0] === 'Sound' ? width : SIZE.height;
  const [cx, cy, r] = [
    width * (0.3 + 0.4 * roll()),
    height * (0.5 + 0.25 * roll()),
    width * (0.15 + 0.2 * roll()),
  ];
  const isRound = roll() < 0.5;
  const band = [Math.round(height * 0.12), Math.round(height * 0.3)] as const;
  const data = new Uint8Array(3 * width * height);
  for (let y = 0, p = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1, p += 3) {
      const isShape = isRound
        ? (x - cx) ** 2 + (y - cy) ** 2 < r * r
        : Math.abs(x - cx) < r && Math.abs(y - cy) < r;
      const isBand = y >= band[0] && y < band[1] && x > 10 && x < width - 10;
      // Always one of the list.
      data.set(isBand ? [236, 232, 220] : COLOURS[isShape ? shape : ground]!, p);
    }
  return pngOf({ width, height, data });
}
