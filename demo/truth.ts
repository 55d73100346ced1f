import type { Canvas } from '@napi-rs/canvas';

import { lengthOn, planeFrom, planeWarnings, type PlaneWarning } from '@/core/measure/plane';
import { findSheet } from '@/core/measure/sheet/findSheet';
import { judge, type Setting } from '@/core/picture/judge';
import { examine } from '@/core/pixels/examine';
import { fingerprintDistance } from '@/core/pixels/fingerprint';
import { maskOverlap, segment } from '@/core/pixels/mask';
import type { Pixels } from '@/core/pixels/pixels';

import { gansey } from './draw/clothes';
import { photographMeasured, type MeasuredScene } from './draw/measured';
import { satchel } from './draw/objects';
import { blurred, cluttered, lit, moved, turned, watermarked } from './draw/spoil';
import { photograph, photographWithTruth, type Floor } from './draw/studio';
import { DEMO_ITEMS } from './items';

/**
 * What the core makes of made pictures whose truth is known: the script that drew them knows where every edge
 * is. Printed as JSON for the tests, which only compare: inside the test runner's sandbox pixels take ten
 * times as long.
 */
export interface Truth {
  overlap: Record<string, number[]>;
  empty: number;
  said: Record<string, string[]>;
  blur: { sigma: number; found: number }[];
  twins: { again: number; other: number };
  lengths: {
    scene: string;
    tilt: number;
    corner: number;
    foundTilt: number;
    truth: number;
    mm: number;
    plusMinus: number;
  }[];
  noSheet: boolean;
  warnings: PlaneWarning[];
}

const pixelsOf = (canvas: Canvas): Pixels => {
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d').getImageData(0, 0, width, height);
  return { width, height, data: new Uint8ClampedArray(data) };
};

function overlaps(floors: readonly Floor[]): number[] {
  const size = 600;
  return DEMO_ITEMS.flatMap((item, i) => {
    // Within the list, by the remainder.
    const floor = floors[i % floors.length]!;
    const { picture, alone } = photographWithTruth(
      { ...item.subject, floor },
      { name: 'front' },
      50 + i,
      size,
    );
    const sheet = pixelsOf(alone).data;
    const data = new Uint8Array(size * size);
    for (let p = 0; p < data.length; p += 1) data[p] = sheet[p * 4 + 3]!;
    return maskOverlap(segment(pixelsOf(picture)).mask, { width: size, height: size, data });
  });
}

const SIDE = 1_000;
const onPlaster = { ...gansey, floor: 'plaster' as const };
const good = photograph(onPlaster, { name: 'front' }, 91, SIDE);

function said(picture: Canvas): string[] {
  const setting: Setting = { cover: true, stance: 'hangs', twin: null };
  const exam = examine(pixelsOf(picture));
  return judge({ width: 1_600, height: 1_600, shows: 'front', made: null, exam }, setting).map(
    (f) => f.aspect,
  );
}

function measured(): Truth['lengths'] {
  const base: MeasuredScene = {
    subject: gansey,
    floor: 'plaster',
    reference: 'a4',
    mmPerUnit: 1.33,
    at: [850, 110],
    turn: 6,
    tilt: 0,
    lean: 0,
    size: 1_500,
    seed: 5,
  };
  const card = { subject: satchel, reference: 'card', mmPerUnit: 0.5 } as const;
  const scenes: [string, Partial<MeasuredScene>][] = [
    ['a card, from above', card],
    ['a card, tilted by 35°', { ...card, tilt: 35, lean: 50 }],
    ['an A4 sheet, tilted by 20°', { tilt: 20, lean: 140 }],
    ['an A4 sheet, tilted by 35°', { tilt: 35, lean: 140 }],
    ['a Letter sheet, tilted by 30°', { reference: 'letter', tilt: 30, lean: 50 }],
  ];
  const lines = [
    [240, 560, 760, 560],
    [500, 190, 500, 860],
    [216, 556, 300, 250],
  ] as const;
  return scenes.flatMap(([scene, part]) => {
    const wanted = { ...base, ...part };
    const { picture, place, corners } = photographMeasured(wanted);
    const found = findSheet(pixelsOf(picture), wanted.reference);
    const plane = found && planeFrom(wanted.reference, found.corners, wanted.size, wanted.size, found.sigmas);
    if (!found || !plane || found.doubts.length > 0)
      throw new Error(`${scene}: not sure of the sheet: ${found?.doubts.join()}`);
    const off = found.corners.map((f) => Math.min(...corners.map((c) => Math.hypot(c.x - f.x, c.y - f.y))));
    return lines.map(([x1, y1, x2, y2]) => ({
      scene,
      tilt: wanted.tilt,
      corner: Math.max(...off),
      foundTilt: plane.tilt,
      truth: Math.hypot(x2 - x1, y2 - y1) * wanted.mmPerUnit,
      ...lengthOn(plane, place(x1, y1), place(x2, y2)),
    }));
  });
}

function warnings(): PlaneWarning[] {
  const steepScene = photographMeasured({
    subject: gansey,
    floor: 'plaster',
    reference: 'a4',
    mmPerUnit: 1.33,
    at: [850, 110],
    turn: 6,
    tilt: 44,
    lean: 140,
    size: 300,
    seed: 1,
  });
  const steep = planeFrom('a4', steepScene.corners, 300, 300);
  const speck = planeFrom(
    'card',
    [
      { x: 10, y: 10 },
      { x: 20, y: 10 },
      { x: 20, y: 16 },
      { x: 10, y: 16 },
    ],
    1_000,
    1_000,
  );
  const far = [{ a: { x: 10, y: 10 }, b: { x: 900, y: 900 } }];
  return [
    ...(steep ? planeWarnings(steep, 300, 300) : []),
    ...(speck ? planeWarnings(speck, 1_000, 1_000, far) : []),
  ];
}

function truth(): Truth {
  const print = (canvas: Canvas) => examine(pixelsOf(canvas)).print;
  const boards = photograph({ ...gansey, floor: 'boards' }, { name: 'front' }, 92, SIDE);
  return {
    overlap: { plain: overlaps(['plaster', 'linen']), uneven: overlaps(['boards']) },
    empty: examine(
      pixelsOf(photograph({ floor: 'plaster', draw: () => undefined }, { name: 'front' }, 8, 600)),
    ).area,
    said: {
      good: said(good),
      blurred: said(blurred(good, 4)),
      dark: said(lit(good, 0.35)),
      'cut off': said(moved(good, 0.3)),
      cluttered: said(cluttered(good, 0)),
      'on floor boards': said(boards),
      watermarked: said(watermarked(good, 'yonder pictures 2026')),
      'upside down': said(turned(good, 2)),
      'on its side': said(turned(good, 1)),
      'far away': said(photograph(onPlaster, { name: 'front', zoom: 0.5 }, 93, SIDE)),
    },
    blur: [0, 3, 6].map((sigma) => ({
      sigma,
      found: examine(pixelsOf(sigma === 0 ? good : blurred(good, sigma))).blur,
    })),
    twins: {
      again: fingerprintDistance(
        print(good),
        print(photograph(onPlaster, { name: 'front', tilt: 0.4 }, 91, SIDE)),
      ),
      other: fingerprintDistance(
        print(good),
        print(photograph({ ...satchel, floor: 'plaster' }, { name: 'front' }, 91, SIDE)),
      ),
    },
    lengths: measured(),
    noSheet: findSheet(pixelsOf(photograph(onPlaster, { name: 'front' }, 7, 900)), 'a4')?.doubts.length !== 0,
    warnings: warnings(),
  };
}

process.stdout.write(JSON.stringify(truth()));
