import { execFile } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';

import { Exam } from '@/contract/picture';

import { camera } from '../demo/draw/measured';
import type { Shot } from '../demo/draw/studio';

/** A picture that the studio can draw. */
export type Wanted =
  | { what: 'garment'; of: string; shot: Omit<Shot, 'name'>; seed: number; side: number }
  | { what: 'phone' | 'measured' | 'huge' | 'png' }
  | { what: 'barcode'; digits: string }
  | { what: 'label' | 'whiteboard'; lines: readonly string[] }
  /** Not a picture: what the app finds when it examines one. */
  | { what: 'exam'; of: Wanted };

/** Where the phone was; must never be seen again. */
export const GPS = {
  latitude: [
    [51, 1],
    [30, 1],
    [0, 1],
  ],
  longitude: [
    [0, 1],
    [7, 1],
    [0, 1],
  ],
};

/** The gansey beside an A4 sheet, taken with the camera tilted: one unit of the drawing is 1.33 mm. */
export const MEASURED_SCENE = {
  floor: 'plaster',
  reference: 'a4',
  mmPerUnit: 1.33,
  at: [850, 110] as [number, number],
  turn: 6,
  tilt: 20,
  lean: 50,
  size: 1_500,
  seed: 3,
} as const;

const run = promisify(execFile);
const folder = mkdtempSync(join(tmpdir(), 'attic-pictures-'));
const KEPT = '.cache/test-pictures';

/** Drawn once, and again when the drawing changes. */
const drawing = createHash('sha256');
for (const file of [
  'e2e/studio.ts',
  ...['demo/draw', 'src/core/pixels'].flatMap((of) =>
    readdirSync(of, { recursive: true, encoding: 'utf8' })
      .map((name) => `${of}/${name}`)
      .filter((name) => name.endsWith('.ts')),
  ),
])
  drawing.update(readFileSync(file));
const DRAWING = drawing.digest('hex');

/** @param name what the file is called when it is chosen; its ending may say anything */
async function drawn(name: string, wanted: Wanted): Promise<string> {
  const request = JSON.stringify(wanted);
  const kept = join(
    KEPT,
    createHash('sha256')
      .update(DRAWING + request)
      .digest('hex'),
  );
  if (!existsSync(kept)) {
    mkdirSync(KEPT, { recursive: true });
    const fresh = `${kept}.${process.pid}`;
    await run(process.execPath, ['--import', 'tsx', 'e2e/studio.ts', request, fresh]);
    renameSync(fresh, kept);
  }
  return keep(name, readFileSync(kept));
}

export function keep(name: string, bytes: Uint8Array): string {
  const file = join(folder, name);
  writeFileSync(file, bytes);
  return file;
}

export const phonePicture = (name = 'phone.jpg') => drawn(name, { what: 'phone' });

/** A picture of the gansey, square. */
export const garmentPicture = (name: string, shot: Omit<Shot, 'name'>, seed: number, side = 1_500) =>
  drawn(name, { what: 'garment', of: 'gansey', shot, seed, side });

/** The same with what the app finds on it: pages that get both have nothing to examine. */
export async function examinedPicture(name: string, shot: Omit<Shot, 'name'>, seed: number, side: number) {
  const of: Wanted = { what: 'garment', of: 'gansey', shot, seed, side };
  const exam = await drawn(`${name}.json`, { what: 'exam', of });
  return { file: await drawn(name, of), exam: Exam.parse(JSON.parse(readFileSync(exam, 'utf8'))) };
}

/** A small picture of one of the demo world's items: "boots", "lamp". */
export const itemPicture = (of: string, seed = 7) =>
  drawn(`${of}.jpg`, { what: 'garment', of, shot: {}, seed, side: 800 });

/** A barcode on a box of its own, as a camera or file shows it. */
export const barcodePicture = (name: string, digits: string) => drawn(name, { what: 'barcode', digits });

export async function measuredPicture(name: string) {
  const { tilt, lean, size } = MEASURED_SCENE;
  return { file: await drawn(name, { what: 'measured' }), place: camera(tilt, lean, size).to };
}

/** A hundred megapixels: nothing to look at, but much too large. */
export const hugePicture = (name: string) => drawn(name, { what: 'huge' });

export const labelPicture = (name: string, lines: readonly string[]) => drawn(name, { what: 'label', lines });

export const whiteboardPicture = (name: string, lines: readonly string[]) =>
  drawn(name, { what: 'whiteboard', lines });

/** A PNG whose name says something else. */
export const pngNamedJpeg = (name: string) => drawn(name, { what: 'png' });

/** What a shot list of a jumper asks for. */
export async function fourPictures(): Promise<string[]> {
  return [
    await phonePicture(),
    await garmentPicture('back.jpg', { side: 'back' }, 2),
    await garmentPicture('label.jpg', { zoom: 3, at: [500, 190] }, 3),
    await garmentPicture('flaw.jpg', { zoom: 3.6, at: [216, 556] }, 4),
  ];
}
