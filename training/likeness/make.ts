import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { writeFileSync } from 'node:fs';

import { discriminant } from './fit';
import { photograph } from '../../demo/draw/studio';
import { holdingsFile, type Holdings } from '../../server/standins/twinpane/holdings';
import { along, farFrom } from '../../server/standins/twinpane/seeing/far';
import { colourOf, featuresOf } from '../../server/standins/twinpane/seeing/features';
import { seen, type Seen } from '../../server/standins/twinpane/seeing/look';
import { loadArt, type Art } from '../../truth/art';
import { drawings, type Drawing } from '../../truth/desk/designs';
import { soughtFor } from '../../truth/desk/scenes';

/** Pictures of each drawing that the desk learns from, and that its line is drawn by. */
const LEARNT = 44;
const HELD_OUT = 8;
const DIRECTIONS = 56;
/** How much of the mean variance each feature gets on top: few pictures have to do for many features. */
const SHRINK = 0.03;
/** So many of the desk's own things are on this side of the line. */
const WITHIN = 0.975;
const PANE = 160;

/** `tsx training/likeness/make.ts OUT`: draws everything the desk has, and what tells one from another. */
async function main(out: string): Promise<void> {
  const art = await loadArt();
  const all = drawings();
  const rows: { of: Drawing; features: Float32Array }[] = [];
  for (const of of all) {
    for (let k = 0; k < LEARNT; k += 1) rows.push({ of, features: featuresOf(await lookAt(of, art, k)) });
    console.log(`${of.kind}: ${rows.length} pictures`);
  }
  const { mean, directions } = discriminant(
    rows.map(({ features }) => features),
    rows.map(({ of }) => of.design),
    DIRECTIONS,
    SHRINK,
  );
  const short = { mean: Float32Array.from(mean), directions: directions.map((d) => Float32Array.from(d)) };
  const designs = Math.max(...all.map(({ design }) => design)) + 1;
  const mid = (of: (row: (typeof rows)[number]) => boolean) =>
    meanOf(rows.filter(of).map(({ features }) => features));
  const about = { ...short, line: Infinity, looks: [] };
  const holdings: Holdings = {
    ...about,
    centres: Array.from({ length: designs }, (_, design) =>
      along(
        short,
        mid(({ of }) => of.design === design),
      ),
    ),
    looks: all.map(({ subject, design, sold, cents, places }, i) => ({
      design,
      sold,
      cents,
      places: { ...places },
      colour: rounded(colourOf(mid((row) => row.of === all[i]))),
      picture: paneOf(photograph(subject, { name: 'front' }, 3 + i, 2 * PANE)),
    })),
  };
  const far: number[] = [];
  for (const of of all)
    for (let k = LEARNT; k < LEARNT + HELD_OUT; k += 1)
      far.push(Math.min(...farFrom(holdings, await lookAt(of, art, k)).far));
  far.sort((a, b) => a - b);
  const line = Math.round((far[Math.floor(far.length * WITHIN)] ?? 0) * 100) / 100;
  writeFileSync(out, holdingsFile({ ...holdings, line }));
  console.log(`${all.length} looks of ${designs} designs, line at ${line}`);
}

const tenth = (v: number) => Math.round(v * 10) / 10;
const rounded = ([l, a, b]: [number, number, number]): [number, number, number] => [
  tenth(l),
  tenth(a),
  tenth(b),
];

/** A picture of a drawing; another for every number below the tuning seeds'. */
async function lookAt(of: Drawing, art: Art, k: number): Promise<Seen> {
  const { picture } = await soughtFor(of, art, of.no * 1_000 + k - 1_000_000);
  return seenOf(picture);
}

function seenOf(canvas: Canvas): Seen {
  const { width, height } = canvas;
  const { data } = canvas.getContext('2d').getImageData(0, 0, width, height);
  return seen({ width, height, data: Uint8Array.from(data) });
}

function meanOf(rows: readonly Float32Array[]): Float32Array {
  const sum = new Float32Array(rows[0]?.length ?? 0);
  for (const row of rows) row.forEach((v, k) => (sum[k]! += v / rows.length));
  return sum;
}

function paneOf(picture: Canvas): Uint8Array<ArrayBuffer> {
  const canvas = createCanvas(PANE, PANE);
  const pen = canvas.getContext('2d');
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(picture, 0, 0, PANE, PANE);
  return Uint8Array.from(canvas.toBuffer('image/jpeg', 76));
}

main(process.argv[2] ?? 'assets/twinpane.bin').catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
