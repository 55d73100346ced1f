import { createCanvas, type SKRSContext2D } from '@napi-rs/canvas';

import type { Point } from '@/contract/picture';
import { REFERENCE_SIZES, type Reference } from '@/core/measure/plane';
import type { Pixels } from '@/core/pixels/pixels';

import type { Art } from './art';
import { colour, css, EVEN, floorOf, PATTERNED, type Floor } from './floors';
import { handled, handlingOf, lensOf, photographed, shotOf } from './lens';
import { thingOf } from './things';
import { Random } from '../sim/random';

/** A thing beside a sheet or card, seen by a camera: what is right is known to the pixel. */
export interface MeasuredScene {
  seed: number;
  floor: Floor;
  reference: Reference;
  thing: string;
  picture: Pixels;
  /** The reference's corners; of a card those its rounded ones would have. */
  corners: Point[];
  /** Lines on the thing: pixels and millimetres. */
  lines: { a: Point; b: Point; mm: number }[];
  tilt: number;
  /** Something else with four corners lies there too. */
  decoy: boolean;
}

/** Pixels of the painted plane to a millimetre. */
const FINE = 1.9;

/**
 * @param without the reference is left out: nothing is to be found, though other things have four corners
 * too
 */
export async function measuredScene(art: Art, seed: number, without = false): Promise<MeasuredScene> {
  const random = new Random(seed * 7_919 + 13);
  // By turns one without and one with a pattern.
  const floor = seed % 2 === 0 ? random.one(EVEN) : random.one(PATTERNED);
  const reference = random.one<Reference>(['a4', 'a4', 'letter', 'card', 'card']);
  const isSmall = reference === 'card';
  // A small card is laid beside small things.
  const span = isSmall ? 260 + random.next() * 190 : 620 + random.next() * 520;
  const [width, height] = random.one([
    [1_600, 1_200],
    [1_200, 1_600],
    [1_500, 1_500],
  ] as const);
  const shot = shotOf(random, width, height, span);
  const reach = span * Math.max(1, height / width);
  const side = Math.round(reach * 2.4 * FINE * (isSmall ? 2.4 : 1));
  const perMm = side / (reach * 2.4);
  const plane = createCanvas(side, side);
  const g = plane.getContext('2d');
  g.drawImage(floorOf(floor, { width: side, height: side, perMm }, art, random), 0, 0);
  g.translate(side / 2, side / 2);
  g.scale(perMm, perMm);

  const visible = { w: span * 0.84, h: ((span * height) / width) * 0.84 };
  const place = placed(reference, visible, random);
  const cloth = random.chance(0.55) ? { like: [20, 245] as const, chroma: 70 } : null;
  const { name, canvas: thing } = thingOf(art, Math.round(place.thing.long * perMm), cloth, random);
  const size = { w: thing.width / perMm, h: thing.height / perMm };
  lay(g, place.thing, place.shadow, () => g.drawImage(thing, -size.w / 2, -size.h / 2, size.w, size.h));
  const { long, short } = REFERENCE_SIZES[reference];
  const decoy = random.chance(without ? 0.8 : 0.25);
  if (decoy) layDecoy(g, place, span, random);
  if (without) place.sheet.x = 1e5;
  lay(g, place.sheet, isSmall ? 0.6 : 1 + random.next() * 3, () =>
    isSmall ? paintCard(g, long, short, random) : paintSheet(g, long, short, random),
  );

  const lens = lensOf(shot);
  const picture = await handled(photographed(plane, perMm, shot), handlingOf(random), random);
  const corners = (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).map(([a, b]) => lens.toPixel(moved(place.sheet, { x: (a * long) / 2, y: (b * short) / 2 })));
  const lines = (
    [
      [-0.45, 0, 0.45, 0],
      [0, -0.45, 0, 0.45],
      [-0.3, -0.3, 0.25, 0.4],
    ] as const
  ).map(([x1, y1, x2, y2]) => {
    const from = { x: x1 * size.w, y: y1 * size.h };
    const to = { x: x2 * size.w, y: y2 * size.h };
    return {
      a: lens.toPixel(moved(place.thing, from)),
      b: lens.toPixel(moved(place.thing, to)),
      mm: Math.hypot(to.x - from.x, to.y - from.y),
    };
  });
  return { seed, floor, reference, thing: name, picture, corners, lines, tilt: shot.tilt, decoy };
}

interface Laid {
  x: number;
  y: number;
  /** Radians. */
  turn: number;
}

function moved({ x, y, turn }: Laid, p: Point): Point {
  return {
    x: x + p.x * Math.cos(turn) - p.y * Math.sin(turn),
    y: y + p.x * Math.sin(turn) + p.y * Math.cos(turn),
  };
}

/** The thing on one side of what is seen, the reference on the other, a hand's breadth or less between. */
function placed(reference: Reference, seen: { w: number; h: number }, random: Random) {
  const { long, short } = REFERENCE_SIZES[reference];
  const turn = (random.next() - 0.5) * 0.5 + (random.chance(0.5) ? Math.PI / 2 : 0);
  const upright = Math.abs(Math.sin(turn)) > 0.7;
  const [w, h] = upright ? [short, long] : [long, short];
  // Turned a little it needs more room.
  const room = { w: w * 1.12 + 0.25 * h, h: h * 1.12 + 0.25 * w };
  const beside = seen.w - room.w > seen.h - room.h;
  const left = beside ? seen.w - room.w : seen.w;
  const below = beside ? seen.h : seen.h - room.h;
  const gap = 4 + random.next() * 30;
  const longest = Math.max(40, Math.min(left, below) - gap);
  const swap = random.chance(0.5) ? 1 : -1;
  const slack = () => random.next() - 0.5;
  const sheet: Laid = beside
    ? { x: (swap * (seen.w - room.w)) / 2, y: slack() * Math.max(0, seen.h - room.h), turn }
    : { x: slack() * Math.max(0, seen.w - room.w), y: (swap * (seen.h - room.h)) / 2, turn };
  const thing = beside
    ? { x: (-swap * (seen.w - left)) / 2, y: 0 }
    : { x: 0, y: (-swap * (seen.h - below)) / 2 };
  return {
    sheet,
    thing: { ...thing, turn: (random.next() - 0.5) * 0.3, long: longest },
    shadow: 2 + random.next() * 12,
  };
}

/** Something laid on the floor, with the shadow it has by being so thick (millimetres). */
function lay(g: SKRSContext2D, { x, y, turn }: Laid, thick: number, paint: () => void): void {
  g.save();
  g.translate(x, y);
  g.rotate(turn);
  g.shadowColor = 'rgba(0, 0, 0, 0.45)';
  const scale = g.getTransform().a / Math.cos(turn) || 1;
  g.shadowBlur = thick * 1.6 * Math.abs(scale);
  g.shadowOffsetX = thick * 0.5 * Math.abs(scale);
  g.shadowOffsetY = thick * 0.7 * Math.abs(scale);
  paint();
  g.restore();
}

/**
 * A box, a book, a folded cloth: four corners, but of another shape and seldom white. It may reach out of
 * the picture.
 */
function layDecoy(g: SKRSContext2D, place: { sheet: Laid; thing: Laid }, span: number, random: Random): void {
  const long = span * (0.12 + random.next() * 0.25);
  const short = long * (0.3 + random.next() * 0.62);
  // On the far side of where the two lie.
  const beside = Math.abs(place.sheet.x - place.thing.x) > Math.abs(place.sheet.y - place.thing.y);
  const off = (random.chance(0.5) ? 1 : -1) * span * 0.36;
  const at = beside ? { x: place.thing.x, y: off } : { x: off, y: place.thing.y };
  lay(g, { ...at, turn: random.next() * 3 }, 1 + random.next() * 14, () => {
    g.fillStyle = css(colour(random, [40, 245], 80));
    g.fillRect(-long / 2, -short / 2, long, short);
  });
}

function paintSheet(g: SKRSContext2D, long: number, short: number, random: Random): void {
  const paper = colour(random, [232, 253], 6);
  g.fillStyle = css(paper);
  g.fillRect(-long / 2, -short / 2, long, short);
  g.shadowColor = 'transparent';
  // It was folded once, or a few lines are written on it.
  if (random.chance(0.35)) {
    g.fillStyle = 'rgba(0, 0, 0, 0.05)';
    g.fillRect(-0.6, -short / 2, 1.2, short);
    g.fillStyle = 'rgba(0, 0, 0, 0.02)';
    g.fillRect(0, -short / 2, long / 2, short);
  }
  if (random.chance(0.3)) {
    g.fillStyle = 'rgba(30, 30, 60, 0.75)';
    for (let line = 0; line < 9; line += 1)
      for (let x = -long * 0.4; x < long * (0.1 + 0.3 * random.next()); x += 4 + random.next() * 10)
        g.fillRect(x, -short * 0.36 + line * short * 0.08, 2 + random.next() * 4, 3);
  }
}

function paintCard(g: SKRSContext2D, long: number, short: number, random: Random): void {
  // ISO/IEC 7810: corners of 3.18 mm.
  g.fillStyle = css(colour(random, [25, 240], 90));
  g.beginPath();
  g.roundRect(-long / 2, -short / 2, long, short, 3.18);
  g.fill();
  g.shadowColor = 'transparent';
  g.save();
  g.clip();
  if (random.chance(0.6)) {
    g.fillStyle = css(colour(random, [25, 240], 90), 0.7);
    g.beginPath();
    g.ellipse(long * (random.next() - 0.5), short * 0.6, long * 0.6, short * 0.7, random.next(), 0, 7);
    g.fill();
  }
  if (random.chance(0.3)) {
    g.fillStyle = 'rgba(20, 20, 20, 0.9)';
    g.fillRect(-long / 2, -short / 2 + 5, long, 11);
  } else {
    g.fillStyle = css([205, 175, 95]);
    g.fillRect(-long / 2 + 9, -5, 12, 9);
    g.fillStyle = 'rgba(255, 255, 255, 0.8)';
    for (let x = 0; x < 4; x += 1) g.fillRect(-long / 2 + 9 + x * 16, 9, 12, 3.4);
  }
  g.restore();
}
