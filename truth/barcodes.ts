import { createCanvas, type Canvas } from '@napi-rs/canvas';
import JsBarcode from 'jsbarcode';

import type { Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { EVEN, floorOf } from './floors';
import { heldUp } from './held';
import { handled, handlingOf } from './lens';
import { Random } from '../sim/random';

export const BARCODE_CLASSES = ['tilted', 'small', 'faint', 'blurred'] as const;
export type BarcodeClass = (typeof BARCODE_CLASSES)[number];

export interface BarcodeScene {
  picture: Pixels;
  digits: string;
}

/** Pixels of a module as it is drawn, before it is photographed. */
const DRAWN = 6;

/** A barcode on a label, photographed: aslant, from afar, in faint print, out of focus. */
export async function barcodeScene(art: Art, sort: BarcodeClass, seed: number): Promise<BarcodeScene> {
  const random = new Random(seed * 4_099 + BARCODE_CLASSES.indexOf(sort) * 977 + 3);
  const digits = ean13(random);
  const flat = drawn(digits, sort === 'faint' ? 35 + random.next() * 35 : 120 + random.next() * 110, random);
  const [width, height] = [1280, 960];
  const perModule = sort === 'small' ? 1.5 + random.next() * 0.8 : 2.6 + random.next() * 2.2;
  const ground = floorOf(random.one(EVEN), { width, height, perMm: 2 + random.next() * 2 }, art, random);
  const fill = (perModule / DRAWN) * Math.max(flat.width / width, flat.height / height);
  const held = {
    fill: Math.min(0.92, fill),
    tilt: (random.next() - 0.5) * (sort === 'tilted' ? 90 : 12),
    quarters: random.chance(0.2) ? (2 as const) : (0 as const),
    warp: random.next() * 0.015,
    bend: 0,
  };
  const handling = handlingOf(random);
  const blur = sort === 'blurred' ? 2 : 0.4 + random.next() * 0.3;
  return {
    digits,
    picture: await handled(heldUp(ground, flat, held, random), { ...handling, blur }, random),
  };
}

/** Thirteen digits, the last by GS1's rule. */
function ean13(random: Random): string {
  const twelve = Array.from({ length: 12 }, (_, i) =>
    i === 0 ? random.between(2, 9) : random.between(0, 9),
  );
  const sum = twelve.reduce((s, d, i) => s + d * (i % 2 === 0 ? 1 : 3), 0);
  return [...twelve, (10 - (sum % 10)) % 10].join('');
}

function drawn(digits: string, contrast: number, random: Random): Canvas {
  const code: { encodings?: { data: string }[] } = {};
  JsBarcode(code, digits, { format: 'EAN13', flat: true });
  const bits = (code.encodings ?? []).map(({ data }) => data).join('');
  const tall = DRAWN * (30 + random.next() * 40);
  const canvas = createCanvas(DRAWN * (bits.length + 22), Math.ceil(tall + DRAWN * 20));
  const g = canvas.getContext('2d');
  const paper = 235 - random.next() * 20;
  const grey = (value: number) => `rgb(${value}, ${value}, ${value})`;
  g.fillStyle = grey(paper);
  g.fillRect(0, 0, canvas.width, canvas.height);
  g.fillStyle = grey(Math.max(12, paper - contrast));
  [...bits].forEach((bit, i) => {
    if (bit === '1') g.fillRect(DRAWN * (11 + i), DRAWN * 5, DRAWN, tall);
  });
  g.font = `${DRAWN * 9}px "archivo-narrow-bold"`;
  g.textAlign = 'center';
  g.textBaseline = 'top';
  g.fillText(digits, canvas.width / 2, DRAWN * 6 + tall);
  return canvas;
}
