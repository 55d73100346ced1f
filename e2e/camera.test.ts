import type { Browser } from 'puppeteer-core';

import { Attic } from './attic';
import { closeBrowser, openBrowser, PHONE } from './browser';
import {
  barcodePicture,
  garmentPicture,
  hugePicture,
  keep,
  labelPicture,
  phonePicture,
  pngNamedJpeg,
  whiteboardPicture,
} from './pictures';
import { pressOn } from './pointer';
import { ServerProcess, until } from './serverProcess';
import { showing } from './testServer';

/** An EAN-13 in the range for use inside one company (GS1 prefixes 020 to 029), with its true check digit. */
const CODE = '2001234567893';

let server: ServerProcess;
beforeAll(async () => {
  server = await ServerProcess.start();
});
afterAll(() => server?.kill());

async function withBrowser(browser: Browser, work: (attic: Attic) => Promise<void>): Promise<void> {
  try {
    const attic = await Attic.open({ server, browser }, PHONE, { offline: true });
    await work(attic);
    expect(attic.complaints).toEqual([]);
  } finally {
    await closeBrowser(browser);
  }
}

it('takes the shot list from the camera, a clip, examined in the hand, with no connection', async () =>
  withBrowser(await openBrowser(showing(await garmentPicture('shots.mjpeg', {}, 41))), async (attic) => {
    // Once open, the app needs nobody: the worker that keeps it is there.
    await attic.page.evaluate(async () => void (await navigator.serviceWorker.ready));
    await attic.page.setOfflineMode(true);
    await attic.go('Intake');
    await attic.sees('Now: Front');
    await attic.press('Open the camera');
    await attic.press('Take the picture');
    await attic.sees('Saved, 1 picture');
    await attic.sees('Now: Back');
    // Floor boards: one line, while the item is still in the hand.
    await attic.sees('Background not plain');
    await attic.press('Jumper');
    await attic.press('Skip: Back');
    await attic.sees('Now: Label');
    await attic.press('Knit: to take');
    await attic.press('Take the picture');
    await attic.sees('Saved, 2 pictures');
    await attic.page.waitForSelector('[aria-label="Knit: taken"]');
    await attic.press('Clip');
    await attic.sees('Stop 2 s');
    // It counts on while it is sought.
    await pressOn(attic.page, { selector: '[aria-label^="Stop "]' });
    await attic.sees('Saved, 3 pictures');
    await attic.press('Next item');
    await attic.sees('A new item');
    await attic.press('Take the picture');
    await attic.sees('YA-0002');
    await attic.page.reload();
    await attic.page.waitForSelector('[role=main]');
    await attic.go('Stock');
    await attic.sees('YA-0001');
    await attic.page.setOfflineMode(false);
  }));

it('reads a barcode with the camera, and nothing counts before it is confirmed', async () =>
  withBrowser(await openBrowser(showing(await barcodePicture('code.mjpeg', CODE))), async (attic) => {
    await attic.go('Intake');
    await attic.press('Open the camera');
    await attic.page.waitForSelector('[aria-label="Read a barcode"]:not([aria-disabled=true])');
    await attic.press('Read a barcode');
    await attic.press(`Right: Barcode ${CODE}`);
    await attic.seesNot('Read from the pictures');
    await attic.press('Fill in its sheet');
    await attic.holds('Barcode', CODE);
  }));

it('stays open for one code after the other; what stays in view is one scan', async () =>
  withBrowser(await openBrowser(showing(await barcodePicture('codes.mjpeg', CODE))), async (attic) => {
    await attic.go('Intake');
    await attic.press('Scan codes one after the other');
    await attic.press('Scan with the camera');
    await attic.sees('1 item');
    await attic.sees('Not known to the product look-up');
    // It was still in view, and is no second item.
    await attic.waitFor('video[aria-label="What the camera sees"]');
    await attic.press('Close camera');
    await attic.sees('1 item');
  }));

it('names a colour, reads a label and a whiteboard; what is wrong is dropped with one press', async () =>
  withBrowser(await openBrowser(), async (attic) => {
    await attic.go('Intake');
    await attic.choose([await garmentPicture('plain.jpg', {}, 43)]);
    await attic.sees('Saved, 1 picture');
    await attic.press('Jumper');
    await attic.press('Right: Colour Blue');
    await attic.press('Label: to take');
    await attic.choose([
      await labelPicture('label.jpg', [
        'KITTIWAKE MILLS',
        'SIZE M',
        '80% WOOL',
        '20% NYLON',
        'MADE IN SALTREACH',
        'STYLE 4471',
      ]),
    ]);
    await attic.page.waitForSelector('::-p-aria(Right: Size on the label M)');
    await attic.press('Right: Size on the label M');
    await attic.press('Right: Material 80 % wool, 20 % nylon').catch(async () => {
      throw new Error(`what was read: ${await attic.text()}`);
    });
    await attic.press('Drop: Made in Saltreach');
    await attic.press('Fill in its sheet');
    await attic.holds('Colour', 'Blue');
    await attic.holds('Size on the label', 'M');
    await attic.holds('Material', '80 % wool, 20 % nylon');
    expect(await attic.text()).not.toContain('Saltreach');

    await attic.choose([await whiteboardPicture('board.jpg', ['CHEST 54', 'LENGTH 68'])], 'Add pictures');
    await until('three pictures', async () => (await attic.page.$$('[data-picture]')).length === 3);
    await attic.page.locator('[data-picture]:nth-child(3)').click();
    await attic.press('Read words in picture 3');
    await attic.press('Right: Pit to pit 54 cm');
    await attic.press('Right: Length 68 cm');
    await attic.holds('Pit to pit', '54');
  }));

it('answers for every file and takes the good ones: HEIC, PNG in disguise, huge, empty', async () =>
  withBrowser(await openBrowser(), async (attic) => {
    await attic.go('Intake');
    await attic.choose([
      'e2e/fixtures/gansey.heic',
      await pngNamedJpeg('really-a-png.jpg'),
      await hugePicture('huge.jpg'),
      keep('empty.jpg', new Uint8Array()),
      keep('notes.txt', Buffer.from('not a picture at all, only words')),
      keep('broken.heic', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0nothing more', 'latin1')),
      keep('broken.mp4', Buffer.from('\0\0\0\x18ftypisom\0\0\0\0nothing more', 'latin1')),
      await phonePicture('good.jpg'),
    ]);
    await attic.sees('Saved, 3 pictures', 60_000);
    for (const words of [
      'huge.jpg: It has 100 megapixels; up to 64',
      'empty.jpg: The file is empty.',
      'notes.txt: This is not a picture.',
      'broken.heic: The picture is damaged',
      'broken.mp4: The clip can’t be played here',
    ])
      await attic.sees(words);
  }));
