import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { readdirSync, renameSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { setImmediate } from 'node:timers/promises';

import { lineText, loadWords } from './texts';
import { Random } from '../../sim/random';

/**
 * Lines of text in many letters, as pictures show them, in files that `train.py` takes:
 *   node --import tsx training/lines/make.ts FONTS WORDS OUT FROM TO [names of fonts left out]
 */
const TALL = 32;
const LONGEST = 512;
const A_FILE = 2_048;

interface Line {
  width: number;
  data: Uint8Array;
  text: string;
}

const canvas = createCanvas(1400, 160);
const g = canvas.getContext('2d');

/** Letters are drawn one by one, as a hand sets them, or all at once. */
function drawn(random: Random, text: string, font: string, size: number, isHand: boolean): number {
  g.font = `${size}px "${font}"`;
  const thick = random.chance(isHand ? 0.4 : 0.15) ? size * random.next() * 0.07 : 0;
  g.lineWidth = thick;
  g.lineJoin = 'round';
  const put = (words: string, x: number, y: number) => {
    g.fillText(words, x, y);
    if (thick > 0) g.strokeText(words, x, y);
  };
  const apart = random.chance(0.3) ? size * (random.next() * 0.16 - 0.02) : 0;
  const shaken = isHand && random.chance(0.5) ? size * 0.05 * random.next() : 0;
  if (apart === 0 && shaken === 0) {
    put(text, 40, 80);
    return 40 + g.measureText(text).width;
  }
  let x = 40;
  for (const c of text) {
    put(c, x, 80 + (random.next() - 0.5) * 2 * shaken);
    x += g.measureText(c).width + apart;
  }
  return x;
}

function oneLine(random: Random, text: string, font: string, isHand: boolean): Line | null {
  g.setTransform(1, 0, 0, 1, 0, 0);
  g.fillStyle = '#fff';
  g.fillRect(0, 0, canvas.width, canvas.height);
  g.fillStyle = g.strokeStyle = '#000';
  g.textBaseline = 'middle';
  // Capitals of so many pixels in the picture.
  const capitals = 11 * Math.exp(random.next() * Math.log(4));
  const size = capitals / 0.7;
  const tilt = (random.next() - 0.5) * 0.05;
  const slant = random.chance(0.5) ? (random.next() - 0.5) * 0.4 : 0;
  g.setTransform(1, tilt, -slant, 1, slant * 80, -tilt * 200);
  const end = Math.min(canvas.width, Math.ceil(drawn(random, text, font, size, isHand) + 60));
  const reach = Math.min(80, Math.ceil(size + 12));
  const { data } = g.getImageData(0, 80 - reach, end, 2 * reach);
  const [w, h] = [end, 2 * reach];
  let ink = new Float32Array(w * h);
  for (let p = 0; p < ink.length; p += 1) ink[p] = 1 - data[p * 4]! / 255;
  const box = inkBox(ink, w, h);
  if (!box) return null;
  ink = blurred(ink, w, box, 0.4 + random.next() * 1.3);
  // Its box as rows are cut out, not quite; sometimes too close.
  const high = box.bottom - box.top + 1;
  const top = box.top - high * (random.next() * 0.2);
  const bottom = box.bottom + 1 + high * (random.next() * 0.2);
  const left = box.left - high * (0.02 + random.next() * 0.3);
  const right = box.right + 1 + high * (0.02 + random.next() * 0.3);
  const scale = (bottom - top) / TALL;
  const stretch = 0.85 + random.next() * 0.3;
  const width = Math.round((right - left) / (scale * stretch));
  if (width < 8 || width > LONGEST) return null;
  return { width, text, data: sampled(random, ink, { w, h, top, left, scale, stretch, width }) };
}

function inkBox(ink: Float32Array, w: number, h: number): Box | null {
  let [left, right, top, bottom] = [w, -1, h, -1];
  for (let y = 0, p = 0; y < h; y += 1)
    for (let x = 0; x < w; x += 1, p += 1)
      if (ink[p]! > 0.4) {
        left = Math.min(left, x);
        right = Math.max(right, x);
        top = Math.min(top, y);
        bottom = y;
      }
  return right < 0 ? null : { left, right, top, bottom };
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

function blurred(ink: Float32Array, w: number, box: Box, sigma: number): Float32Array<ArrayBuffer> {
  const reach = Math.ceil(sigma * 2.2);
  const kernel = Float32Array.from({ length: reach + 1 }, (_, i) => Math.exp(-(i ** 2) / (2 * sigma ** 2)));
  const sum = kernel.reduce((a, b) => a + 2 * b, -kernel[0]!);
  for (let i = 0; i <= reach; i += 1) kernel[i]! /= sum;
  const [x0, x1] = [Math.max(reach, box.left - reach), Math.min(w - 1 - reach, box.right + reach)];
  const h = ink.length / w;
  const [y0, y1] = [Math.max(reach, box.top - reach), Math.min(h - 1 - reach, box.bottom + reach)];
  const across = new Float32Array(ink.length);
  const out = new Float32Array(ink.length);
  for (let y = box.top; y <= box.bottom; y += 1)
    for (let x = x0, p = y * w + x0; x <= x1; x += 1, p += 1) {
      let v = ink[p]! * kernel[0]!;
      for (let i = 1; i <= reach; i += 1) v += (ink[p - i]! + ink[p + i]!) * kernel[i]!;
      across[p] = v;
    }
  for (let y = y0; y <= y1; y += 1)
    for (let x = x0, p = y * w + x0; x <= x1; x += 1, p += 1) {
      let v = across[p]! * kernel[0]!;
      for (let i = 1; i <= reach; i += 1) v += (across[p - i * w]! + across[p + i * w]!) * kernel[i]!;
      out[p] = v;
    }
  return out;
}

interface Cut {
  w: number;
  h: number;
  top: number;
  left: number;
  scale: number;
  stretch: number;
  width: number;
}

/** Bent a little, unevenly lit, with a picture's noise; ink 255, paper 0. */
function sampled(random: Random, ink: Float32Array, cut: Cut): Uint8Array {
  const { w, h, top, left, scale, stretch, width } = cut;
  const wave = (most: number) => {
    const [a, f, at] = [
      random.next() * most,
      (0.5 + random.next() * 2.5) / (width + TALL),
      random.next() * 6.3,
    ];
    return (t: number) => a * Math.sin(t * f * 6.283 + at);
  };
  const isBent = random.chance(0.6);
  const [dy, dx, dx2] = isBent ? [wave(1.8), wave(2.5), wave(1.2)] : [() => 0, () => 0, () => 0];
  const faint = 0.45 + random.next() * 0.55;
  const noise = random.next() ** 2 * 0.16;
  const base = (random.next() - 0.4) * 0.1;
  const lit = wave(0.08);
  const data = new Uint8Array(TALL * width);
  const fine = Math.max(1, Math.min(3, Math.round(scale)));
  const across = Float32Array.from({ length: width }, (_, u) => dx(u));
  const down = Float32Array.from({ length: width }, (_, u) => dy(u));
  const light = Float32Array.from({ length: width }, (_, u) => lit(u) + base);
  for (let v = 0; v < TALL; v += 1) {
    const skew = dx2(v * 3);
    for (let u = 0; u < width; u += 1) {
      let sum = 0;
      for (let i = 0; i < fine; i += 1)
        for (let j = 0; j < fine; j += 1) {
          const x = left + (u + (i + 0.5) / fine + across[u]! + skew) * scale * stretch - 0.5;
          const y = top + (v + (j + 0.5) / fine + down[u]!) * scale - 0.5;
          const [x0, y0] = [Math.floor(x), Math.floor(y)];
          if (x0 < 0 || y0 < 0 || x0 >= w - 1 || y0 >= h - 1) continue;
          const [fx, fy] = [x - x0, y - y0];
          const p = y0 * w + x0;
          sum +=
            (ink[p]! * (1 - fx) + ink[p + 1]! * fx) * (1 - fy) +
            (ink[p + w]! * (1 - fx) + ink[p + w + 1]! * fx) * fy;
        }
      const value = (sum / (fine * fine)) * faint;
      const noisy = value + noise * (random.next() + random.next() + random.next() - 1.5) + light[u]!;
      data[v * width + u] = Math.max(0, Math.min(255, Math.round(noisy * 255)));
    }
  }
  return normal(data);
}

/** Paper 0, ink 255, as the reader makes it. */
function normal(data: Uint8Array): Uint8Array {
  const sorted = Uint8Array.from(data).sort();
  const paper = sorted[Math.floor(sorted.length * 0.5)]!;
  const ink = sorted[Math.floor(sorted.length * 0.97)]!;
  const gain = 255 / Math.max(30, ink - paper);
  return data.map((v) => Math.max(0, Math.min(255, Math.round((v - paper) * gain))));
}

async function main(): Promise<void> {
  const [fonts = '', words = '', out = '', from = '0', to = '1', ...without] = process.argv.slice(2);
  const load = (kind: string) =>
    readdirSync(join(fonts, kind))
      .filter((f) => f.endsWith('.ttf') && !without.some((name) => f.startsWith(`${name}-`)))
      .flatMap((f) =>
        GlobalFonts.registerFromPath(join(fonts, kind, f), basename(f, '.ttf')) ? [basename(f, '.ttf')] : [],
      );
  const hand = load('hand');
  const print = load('print');
  const list = loadWords(words);
  for (let file = Number(from); file < Number(to); file += 1) {
    const random = new Random(file * 7_919 + 13);
    const lines: Line[] = [];
    while (lines.length < A_FILE) {
      const isHand = print.length === 0 || random.chance(0.65);
      const text = lineText(random, list).replace(/\s+/gu, ' ').trim();
      const font = random.one(isHand ? hand : print);
      const line = text === '' ? null : oneLine(random, text, font, isHand);
      if (line) lines.push({ ...line, text: `${line.text}\t${font}` });
      // What was drawn is let go of only between tasks.
      if (lines.length % 64 === 0) await setImmediate();
    }
    const name = join(out, `lines-${file}`);
    writeFileSync(`${name}.tsv`, lines.map((l) => `${l.width}\t${l.text}`).join('\n'));
    writeFileSync(`${name}.part`, Buffer.concat(lines.map((l) => l.data)));
    renameSync(`${name}.part`, `${name}.bin`);
  }
}
void main();
