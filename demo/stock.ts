import type { Dye } from './draw/dyes';
import type { Shot } from './draw/studio';
import { versionOf, type Good } from './goods/good';
import { GOODS } from './goods/goods';
import type { DemoItem } from './items';

/** Which good, make and colour, how long it has been here, and what is to happen with it. */
type Row = [
  kind: string,
  make: number,
  dye: number,
  daysAgo: number,
  how: 'sent' | 'kept' | 'markedDown',
  haul?: DemoItem['haul'],
];

/** More stock, of every group of kinds: some of it new, some of it here for long. */
const ROWS: readonly Row[] = [
  ['jumper', 1, 1, 9, 'sent', 'quayside'],
  ['jumper', 0, 2, 64, 'markedDown'],
  ['cardigan', 1, 0, 4, 'sent'],
  ['cardigan', 0, 2, 38, 'sent'],
  ['shirt', 0, 0, 12, 'sent', 'quayside'],
  ['shirt', 1, 2, 71, 'sent'],
  ['coat', 1, 1, 21, 'sent'],
  ['coat', 0, 2, 96, 'markedDown'],
  ['dress', 0, 1, 6, 'sent'],
  ['dress', 1, 2, 47, 'kept'],
  ['skirt', 0, 0, 33, 'sent'],
  ['skirt', 1, 1, 150, 'kept'],
  ['jeans', 0, 0, 17, 'sent'],
  ['jeans', 1, 1, 58, 'kept'],
  ['hat', 0, 0, 26, 'sent'],
  ['hat', 1, 2, 210, 'kept'],
  ['shoes', 0, 1, 41, 'sent'],
  ['shoes', 1, 2, 5, 'kept'],
  ['bag', 0, 2, 13, 'sent'],
  ['suitcase', 1, 1, 132, 'kept', 'fennick'],
  ['brooch', 0, 1, 55, 'sent'],
  ['watch', 0, 0, 30, 'sent'],
  ['yarn', 1, 2, 84, 'kept'],
  ['postcard', 0, 0, 19, 'kept'],
  ['vase', 0, 0, 2, 'sent', 'fennick'],
  ['teapot', 1, 2, 77, 'sent'],
  ['plate', 0, 0, 2, 'kept', 'fennick'],
  ['pan', 0, 0, 49, 'sent'],
  ['candlestick', 0, 0, 2, 'sent', 'fennick'],
  ['lamp', 0, 1, 88, 'sent'],
  ['clock', 1, 0, 2, 'kept', 'fennick'],
  ['clock', 0, 2, 104, 'markedDown'],
  ['pictureFrame', 0, 0, 2, 'sent', 'fennick'],
  ['mirror', 1, 0, 190, 'kept'],
  ['quilt', 1, 0, 24, 'sent'],
  ['chair', 0, 0, 165, 'kept'],
  ['saw', 0, 0, 36, 'sent'],
  ['chisel', 1, 0, 62, 'sent'],
  ['sign', 0, 1, 118, 'kept'],
  ['book', 1, 1, 15, 'kept'],
  ['sheetMusic', 0, 0, 240, 'kept'],
  ['record', 2, 0, 7, 'kept'],
  ['boardGame', 0, 0, 44, 'sent'],
  ['modelToy', 1, 0, 28, 'sent'],
  ['radio', 0, 0, 92, 'sent'],
  ['typewriter', 0, 1, 11, 'sent'],
  ['racket', 0, 0, 40, 'kept'],
  ['squeezebox', 0, 0, 23, 'sent'],
];

/** Where it takes a barcode, or a person's own hands. */
const BY_OTHER_WAYS = ['quirestack', 'handbill'];

const FRONT: Shot = { name: 'front' };
const BACK: Shot = { name: 'back', side: 'back', tilt: 2 };
const CLOSER: Shot[] = [
  { name: 'detail', zoom: 2.6, at: [500, 300], tilt: -4 },
  { name: 'detail', zoom: 2.6, at: [430, 640], tilt: 3 },
];

export const STOCK: readonly DemoItem[] = ROWS.map(([kind, make, dyeNo, daysAgo, how, haul = null], i) => {
  const good = GOODS.find((g) => g.kind === kind);
  const dye = good?.dyes[dyeNo];
  if (!good || !dye) throw new Error(`no such good: ${kind} ${dyeNo}`);
  return stocked(good, dye, { make, daysAgo, how, haul, i });
});

function stocked(
  good: Good,
  dye: Dye,
  at: { make: number; daysAgo: number; how: Row[4]; haul: DemoItem['haul']; i: number },
): DemoItem {
  const size = good.sizes?.[at.i % good.sizes.length] ?? null;
  const { title, name, by, facts } = versionOf(good, at.make, dye, size);
  const [low, high] = good.price;
  const price = Math.round(low + ((high - low) * ((at.i * 37) % 100)) / 100) * 100;
  // The far side of a thing laid out looks no different but for what is worn.
  const sides = good.markets.threadwick ? [FRONT, BACK, ...CLOSER] : [FRONT, ...CLOSER.slice(0, 1)];
  return {
    subject: good.draw(dye, name, by),
    shots: sides,
    haul: at.haul,
    daysAgo: at.daysAgo,
    by: good.by,
    side: 800,
    item: {
      kind: good.kind,
      title,
      facts,
      spot: good.spot,
      description:
        `${title}. Looked over and cleaned, ready to be used again.\n` +
        'Small signs of age, as the pictures show. Questions are welcome.',
      use: 'light',
      looked: true,
      cost: Math.round((price * (good.by === 'Bas Wren' ? 20 : 34)) / 100),
      price,
      weightG: good.weightG,
    },
    wanted: at.how === 'kept' ? [] : Object.keys(good.markets).filter((m) => !BY_OTHER_WAYS.includes(m)),
    sent: at.how !== 'kept',
    markedDown: at.how === 'markedDown',
  };
}
