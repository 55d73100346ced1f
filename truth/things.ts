import { createCanvas, type Canvas } from '@napi-rs/canvas';

import type { Art } from './art';
import { colour, css } from './floors';
import type { Random } from '../sim/random';

/** A thing alone, with its alpha. */
export interface Thing {
  name: string;
  canvas: Canvas;
}

/** As its maker drew it, or cut out of cloth: `like` says how light the cloth is, 0 to 255. */
export type Cloth = { like: readonly [number, number]; chroma: number } | null;

/**
 * One of the cut-outs.
 *
 * @param long its longer side in pixels
 */
export function thingOf(art: Art, long: number, cloth: Cloth, random: Random): Thing {
  const { name, image } = random.one(art.things);
  const k = long / Math.max(image.width, image.height);
  const canvas = createCanvas(Math.ceil(image.width * k), Math.ceil(image.height * k));
  const g = canvas.getContext('2d');
  g.imageSmoothingQuality = 'high';
  if (random.chance(0.5)) {
    g.translate(canvas.width, 0);
    g.scale(-1, 1);
  }
  g.drawImage(image, 0, 0, canvas.width, canvas.height);
  g.resetTransform();
  solid(canvas);
  if (cloth) weave(canvas, cloth, random);
  return { name: cloth ? `${name} of cloth` : name, canvas };
}

/** What is half clear (a drawn shadow, glass) belongs to the thing or it does not: there is one truth. */
function solid(canvas: Canvas): void {
  const g = canvas.getContext('2d');
  const image = g.getImageData(0, 0, canvas.width, canvas.height);
  for (let at = 3; at < image.data.length; at += 4)
    image.data[at] = Math.min(255, Math.max(0, (image.data[at]! - 127.5) * 2 + 127.5));
  g.putImageData(image, 0, 0);
}

/** A cloth in place of what was painted. */
function weave(canvas: Canvas, { like, chroma }: Exclude<Cloth, null>, random: Random): void {
  const g = canvas.getContext('2d');
  g.globalCompositeOperation = 'source-atop';
  g.fillStyle = css(colour(random, like, chroma));
  g.fillRect(0, 0, canvas.width, canvas.height);
  threads(canvas, random);
}

/** Threads, folds and shading on whatever colours are there. */
export function threads(canvas: Canvas, random: Random): void {
  const { width, height } = canvas;
  const g = canvas.getContext('2d');
  g.globalCompositeOperation = 'source-atop';
  const thread = 1.5 + random.next() * 4;
  const relief = 0.04 + random.next() * 0.12;
  for (let y = 0; y < height; y += thread) {
    g.fillStyle = random.chance(0.5) ? `rgba(0, 0, 0, ${relief})` : `rgba(255, 255, 255, ${relief})`;
    g.fillRect(0, y, width, thread / 2);
  }
  for (let x = 0; x < width; x += thread * 1.3) {
    g.fillStyle = random.chance(0.5) ? `rgba(0, 0, 0, ${relief})` : `rgba(255, 255, 255, ${relief})`;
    g.fillRect(x, 0, thread / 2, height);
  }
  g.filter = `blur(${Math.round(width * 0.012)}px)`;
  for (let i = 0; i < 9; i += 1) {
    g.strokeStyle = random.chance(0.6) ? 'rgba(0, 0, 0, 0.2)' : 'rgba(255, 255, 255, 0.16)';
    g.lineWidth = width * (0.012 + random.next() * 0.03);
    const [x, y] = [random.next() * width, random.next() * height];
    g.beginPath();
    g.moveTo(x, y);
    g.quadraticCurveTo(
      x + (random.next() - 0.5) * width,
      y + (random.next() - 0.5) * height * 0.5,
      random.next() * width,
      y + random.next() * height * 0.5,
    );
    g.stroke();
  }
  g.filter = 'none';
  g.globalCompositeOperation = 'source-over';
}
