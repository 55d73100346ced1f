import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import {
  garmentPicture,
  itemPicture,
  labelPicture,
  measuredPicture,
  phonePicture,
  whiteboardPicture,
} from './pictures';
import { startTestServer } from './testServer';

const at = startTestServer();
const LABEL = ['KITTIWAKE MILLS', 'SIZE M', '85% WOOL', '15% NYLON', 'MADE IN PORTUGAL'];

it('reads by itself what six pictures say; lines lie on the item once its kind is known', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Intake');
  await attic.choose([
    // In no order: what they show counts.
    await labelPicture('label.jpg', LABEL),
    await phonePicture(),
    await whiteboardPicture('board.jpg', ['PIT TO PIT 54', 'SLEEVE 60', '740 g', 'small hole cuff']),
    await garmentPicture('back.jpg', { side: 'back' }, 2),
    await garmentPicture('flaw.jpg', { zoom: 3.6, at: [216, 556] }, 4),
    (await measuredPicture('measured.jpg')).file,
  ]);
  await attic.sees('Looking at');
  await attic.sees('Saved, 6 pictures');
  await attic.looked();
  for (const words of [
    'Kittiwake Mills',
    '85 % wool, 15 % nylon',
    'Portugal',
    '54 cm',
    '740 g',
    'small hole cuff',
  ])
    await attic.sees(words);
  for (const shot of ['Front', 'Back', 'Label', 'Measurements'])
    await attic.waitFor(`[aria-label="${shot}: taken"]`);
  // Not one picture was chosen, and nothing pressed. A jumper is among the first kinds.
  await attic.press('Jumper');
  await attic.sees('Measured along a line that was laid by itself');
  await attic.press('Look at the line: Length');
  await attic.sees('A4');
  await attic.sees('Look at each line');
  await attic.press('Length lies right');
});

it('goes on looking after a reload, and the rest can be left', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.choose([await phonePicture(), await labelPicture('label.jpg', ['FERN & LANTERN', 'SIZE L'])]);
  await attic.sees('Looking at');
  await attic.reload();
  await attic.go('Intake');
  await attic.sees('Saved, 2 pictures');
  await attic.looked();
  await attic.sees('Fern & Lantern');
  await attic.choose([await garmentPicture('back.jpg', { side: 'back' }, 2)]);
  await attic.press('Leave the rest unread');
  await attic.sees('Saved, 3 pictures');
  await attic.looked();
});

it.each([PHONE, WIDE])(
  'tells items apart among pictures chosen at once; a person puts it right',
  async (size) => {
    const attic = await Attic.open(at, size);
    await attic.go('Intake');
    await attic.choose([
      await garmentPicture('1.jpg', {}, 61, 900),
      await garmentPicture('2.jpg', { side: 'back' }, 62, 900),
      await garmentPicture('3.jpg', { zoom: 3, at: [500, 500] }, 63, 900),
      await itemPicture('boots', 64),
      await itemPicture('lamp', 65),
      await itemPicture('satchel', 66),
      await itemPicture('vase', 67),
      await itemPicture('jigsaw', 68),
      await itemPicture('tray', 69),
    ]);
    await attic.sees('Several items');
    await attic.looked();
    await attic.sees('Nothing is made before you say so.');
    expect(await attic.page.$$eval('[data-sorted]', (all) => all.length)).toBe(9);
    await attic.sees('Item 1 · 3 pictures');
    // Left as they lie after a reload.
    await attic.press('Picture 3 of item 1');
    await attic.press('An item of its own');
    await attic.sees('Item 1 · 2 pictures');
    await attic.reload();
    await attic.sees('Item 1 · 2 pictures');
    await attic.looked();
    await attic.press('Item 2 is the same as item 1');
    await attic.sees('Item 1 · 3 pictures');
    await attic.press('Picture 3 of item 1');
    await attic.press('Leave it out');
    await attic.sees('Left out · 1');
    const words = /Make \d items/u.exec(await attic.text())?.[0] ?? '';
    await attic.press(words);
    await attic.sees('Saved: ');
  },
);
