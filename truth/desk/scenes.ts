import { createCanvas, loadImage, type Canvas } from '@napi-rs/canvas';

import type { Drawing } from './designs';
import { photograph, type Floor as OwnFloor, type Shot, type Subject } from '../../demo/draw/studio';
import { Random } from '../../sim/random';
import type { Art } from '../art';
import { EVEN, floorOf, PATTERNED } from '../floors';
import { handled, handlingOf } from '../lens';
import { thingOf } from '../things';

/** Longer side of a picture that is looked for, pixels. */
const SIZE = 320;
const OWN_FLOORS: readonly OwnFloor[] = ['boards', 'linen', 'plaster', 'slate'];
/** How far a thing may be turned, degrees. */
const MOST_TURNED = 30;
/** Of pictures, those of the thing's back. */
const BACKS = 0.12;

/** A picture to be looked for, and of what it is. */
export interface Sought {
  picture: Canvas;
  of: Drawing | null;
}

/**
 * A drawing photographed anew: on any floor, in any light, turned and seen a little aslant; every third
 * time as the demo world photographs, on one of its floors.
 */
export async function soughtFor(of: Drawing, art: Art, seed: number): Promise<Sought> {
  const random = new Random(seed * 7_919 + 3);
  const side = random.chance(BACKS) ? 'back' : 'front';
  const picture =
    seed % 3 === 0 ? await posed(of.subject, side, random) : await laid(alone(of.subject, side), art, random);
  return { picture, of };
}

/** Something that the desk never had, photographed likewise. @param which of the cut-outs there are */
export async function strange(art: Art, which: number, seed: number): Promise<Sought> {
  const random = new Random(seed * 7_919 + 77);
  const cloth = random.chance(0.5) ? ({ like: [20, 245], chroma: 80 } as const) : null;
  const things = art.things.slice(which % art.things.length, (which % art.things.length) + 1);
  const { canvas } = thingOf({ ...art, things }, 300, cloth, random);
  return { picture: await laid(canvas, art, random), of: null };
}

/** A subject with its alpha, cut to its edges. */
function alone(subject: Subject, side: 'front' | 'back'): Canvas {
  const size = 480;
  const canvas = createCanvas(size, size);
  const pen = canvas.getContext('2d');
  pen.scale(size / 1_000, size / 1_000);
  subject.draw(pen, side, new Random(7));
  const { data } = pen.getImageData(0, 0, size, size);
  let [left, top, right, bottom] = [size, size, 0, 0];
  for (let y = 0, at = 3; y < size; y += 1)
    for (let x = 0; x < size; x += 1, at += 4)
      if (data[at]! > 40) {
        left = Math.min(left, x);
        right = Math.max(right, x);
        top = Math.min(top, y);
        bottom = Math.max(bottom, y);
      }
  const out = createCanvas(right - left + 1, bottom - top + 1);
  out.getContext('2d').drawImage(canvas, -left, -top);
  return out;
}

async function laid(thing: Canvas, art: Art, random: Random): Promise<Canvas> {
  const [width, height] = random.one([
    [SIZE, SIZE],
    [SIZE, SIZE * 0.75],
    [SIZE * 0.75, SIZE],
  ] as const);
  const floor = random.chance(0.72) ? random.one(EVEN) : random.one(PATTERNED);
  const perMm = 0.35 + random.next() * 0.4;
  const canvas = floorOf(floor, { width, height, perMm }, art, random);
  lay(canvas, thing, random);
  const light = handlingOf(random);
  const k = 0.75 + random.next() * 0.4;
  const [red, green, blue] = light.cast;
  const how = { ...light, cast: [red * k, green * k, blue * k] as const, blur: light.blur * 0.5 };
  const { width: w, height: h, data } = await handled(canvas, how, random);
  const out = createCanvas(w, h);
  const image = out.getContext('2d').createImageData(w, h);
  image.data.set(data);
  out.getContext('2d').putImageData(image, 0, 0);
  return out;
}

/** Somewhere in the frame, all of it in sight, with its shadow. */
function lay(canvas: Canvas, thing: Canvas, random: Random): void {
  const { width, height } = canvas;
  const pen = canvas.getContext('2d');
  const angle = ((random.next() - 0.5) * 2 * MOST_TURNED * Math.PI) / 180;
  // Seen from a little to one side, what is flat is shorter that way.
  const squeeze = 1 - 0.2 * random.next() ** 2;
  const lean = random.next() * Math.PI;
  const [c, s] = [Math.abs(Math.cos(angle)), Math.abs(Math.sin(angle))];
  const across = thing.width * c + thing.height * s;
  const down = thing.width * s + thing.height * c;
  const scale = Math.min(width / across, height / down) * (0.55 + random.next() * 0.4);
  const slack = (side: number, own: number) => (random.next() - 0.5) * 0.7 * Math.max(0, side - own);
  const x = width / 2 + slack(width, across * scale);
  const y = height / 2 + slack(height, down * scale);
  pen.shadowColor = `rgba(0, 0, 0, ${0.2 + random.next() * 0.35})`;
  pen.shadowBlur = 2 + random.next() * 7;
  pen.shadowOffsetX = (random.next() - 0.5) * 6;
  pen.shadowOffsetY = random.next() * 6;
  pen.translate(x, y);
  pen.rotate(lean);
  pen.scale(squeeze, 1);
  pen.rotate(angle - lean);
  pen.scale(scale, scale);
  pen.drawImage(thing, -thing.width / 2, -thing.height / 2);
  pen.resetTransform();
  pen.shadowColor = 'transparent';
}

async function posed(subject: Subject, side: 'front' | 'back', random: Random): Promise<Canvas> {
  const shot: Shot = {
    name: '',
    side,
    tilt: (random.next() - 0.5) * 50,
    zoom: 0.7 + random.next() * 0.35,
    at: [500 + (random.next() - 0.5) * 90, 500 + (random.next() - 0.5) * 90],
  };
  const floor = random.one(OWN_FLOORS);
  const picture = photograph({ ...subject, floor }, shot, random.between(0, 1e9), SIZE);
  const canvas = createCanvas(SIZE, SIZE);
  const pen = canvas.getContext('2d');
  pen.filter = `brightness(${0.65 + random.next() * 0.6})`;
  pen.drawImage(picture, 0, 0);
  const file = canvas.toBuffer('image/jpeg', 70 + random.between(0, 25));
  pen.filter = 'none';
  pen.drawImage(await loadImage(file), 0, 0);
  return canvas;
}
