import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

import { segment } from '@/core/pixels/mask';
import { shrunk } from '@/core/pixels/pixels';
import { maskScaled } from '@/core/pixels/whiten';

import { median, tell } from './figure';
import { timed, Watch } from './watch';
import { gansey } from '../demo/draw/clothes';
import { photograph } from '../demo/draw/studio';
import { Attic } from '../e2e/attic';
import { openBrowser, PHONE } from '../e2e/browser';
import {
  barcodePicture,
  garmentPicture,
  labelPicture,
  phonePicture,
  whiteboardPicture,
} from '../e2e/pictures';
import { ServerProcess } from '../e2e/serverProcess';

/** What is fetched when something is first needed: the files' sizes as they are sent, compressed. */
function tellLoaded(name: string, files: readonly RegExp[]): void {
  const all = ['dist/_expo/static/js/web', 'dist/vision'].flatMap((folder) =>
    readdirSync(folder).map((file) => join(folder, file)),
  );
  const bytes = files.map((wanted) => {
    const sizes = all.filter((file) => wanted.test(file)).map((file) => statSync(file).size);
    if (sizes.length === 0) throw new Error(`nothing is called ${wanted}`);
    return Math.min(...sizes);
  });
  tell({ name: `${name}.bytesFirstLoaded`, value: bytes.reduce((s, n) => s + n, 0), unit: 'bytes' });
}

/** The mask of a picture of 1 600 pixels, as the worker makes it: found at 1 000, drawn at 1 600. */
function benchMask(): void {
  const canvas = photograph(gansey, { name: 'front' }, 82, 1_600);
  const { data } = canvas.getContext('2d').getImageData(0, 0, 1_600, 1_600);
  const picture = { width: 1_600, height: 1_600, data: new Uint8ClampedArray(data) };
  const times = [0, 1, 2, 3, 4].map(() => {
    const from = performance.now();
    maskScaled(segment(shrunk(picture, 1_000)).mask, 1_600, 1_600);
    return performance.now() - from;
  });
  tell({ name: 'mask.of1600', value: median(times), unit: 'ms' });
}

/** Six pictures of an item, from being chosen to all that is proposed of them; the readers are there. */
async function benchSix(attic: Attic, watch: Watch): Promise<void> {
  const files = [
    await garmentPicture('bench-front.jpg', {}, 91),
    await garmentPicture('bench-back.jpg', { side: 'back' }, 92),
    await labelPicture('bench-care.jpg', ['MADE IN PORTUGAL', 'STYLE NR KB70', 'SIZE M']),
    await whiteboardPicture('bench-board.jpg', ['PIT TO PIT 54', 'LENGTH 68', 'SLEEVE 60']),
    await garmentPicture('bench-cuff.jpg', { zoom: 3.6, at: [216, 556] }, 93),
    await garmentPicture('bench-knit.jpg', { zoom: 3, at: [500, 500] }, 94),
  ];
  await attic.go('Intake');
  await watch.longest();
  const ms = await timed(async () => {
    await attic.choose(files);
    await attic.sees('Saved, 6 pictures');
    await attic.looked();
  });
  tell({ name: 'proposals.six', value: ms, unit: 'ms', goal: 6_000 });
  tell({ name: 'proposals.longestBlock', value: await watch.longest(), unit: 'ms', goal: 50 });
}

/**
 * Pictures, from a phone's point of view: a 12-megapixel file examined and stored, a mask, a barcode, a
 * label. The first of each carries what has to be loaded for it.
 */
export async function benchPictures(): Promise<void> {
  const [phone, garment, code, label, again] = [
    await phonePicture(),
    await garmentPicture('bench.jpg', {}, 81),
    await barcodePicture('bench-code.jpg', '2001234567893'),
    await labelPicture('bench-label.jpg', ['KITTIWAKE MILLS', 'SIZE M', '85% WOOL', '15% NYLON']),
    await labelPicture('bench-again.jpg', ['FERN & LANTERN', 'SIZE L', '100% LINEN']),
  ];
  benchMask();
  tellLoaded('picture', [/\/picture-[0-9a-f]+\.js\.br/]);
  tellLoaded('barcode', [/\/barcode-[0-9a-f]+\.js\.br/, /zxing_reader\.wasm\.gz/]);
  tellLoaded('label', [/\/worker\.min\.js\.gz/, /simd-lstm\.wasm\.js\.gz/, /traineddata\.gz/]);
  tellLoaded('heic', [/libheif-bundle\.js\.gz/]);
  const server = await ServerProcess.start();
  const browser = await openBrowser();
  try {
    const attic = await Attic.open({ server, browser }, PHONE);
    await attic.go('Intake');
    const watch = await Watch.on(attic.page);

    const store = async (file: string, words: string) => {
      await attic.choose([file]);
      await attic.sees(words);
    };
    await watch.tell('picture.first', await timed(() => store(phone, 'Saved, 1 picture')));
    await watch.tell('picture.next', await timed(() => store(phone, 'Saved, 2 pictures')));

    await store(garment, 'Saved, 3 pictures');
    await attic.press('Fill in its sheet');
    await attic.page.locator('[data-picture]:nth-child(3)').click();
    await attic.press('Clean up picture 3');
    await attic.page.waitForSelector('[data-stage] img');
    await watch.longest();
    await watch.tell(
      'mask.whitened',
      await timed(async () => {
        await attic.press('White');
        await attic.sees('Kept, 1 step');
      }),
    );
    await attic.press('Back to the sheet');

    for (const [name, file, words, n] of [
      ['barcode', code, '2001234567893', 4],
      ['label', label, 'Kittiwake Mills', 5],
      ['label.again', again, 'Fern & Lantern', 6],
    ] as const) {
      await attic.saved();
      await watch.longest();
      await watch.tell(
        `${name}.read`,
        await timed(async () => {
          await attic.choose([file], 'Add pictures');
          await attic.page.waitForSelector(`[data-picture]:nth-child(${n})`);
          await attic.sees(words, 60_000);
        }),
      );
      await attic.looked();
    }
    await benchSix(attic, watch);
  } finally {
    await browser.close();
    await server.kill();
  }
}
