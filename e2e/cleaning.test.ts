import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { garmentPicture, measuredPicture, MEASURED_SCENE } from './pictures';
import { until } from './serverProcess';
import { startTestServer } from './testServer';

const at = startTestServer();

/** Colours of the large picture at some places, shares of its width and height. */
async function colours(attic: Attic, picture: string, places: [number, number][]): Promise<number[][]> {
  const found = await attic.page.waitForSelector(picture);
  if (!found) return [];
  return found.evaluate(async (element, at) => {
    const image = element as HTMLImageElement;
    // Decoding is refused, as the standard says, when the element is given another picture meanwhile:
    // then that one is what is to be looked at.
    for (let tries = 1; ; tries += 1) {
      try {
        await image.decode();
        break;
      } catch (error) {
        if (tries === 10) throw error;
        await new Promise((done) => setTimeout(done, 100));
      }
    }
    const canvas = document.createElement('canvas');
    canvas.width = image.naturalWidth;
    canvas.height = image.naturalHeight;
    const pen = canvas.getContext('2d');
    pen?.drawImage(image, 0, 0);
    return at.map(([x = 0, y = 0]) => [
      ...(pen?.getImageData(Math.floor(x * (canvas.width - 1)), Math.floor(y * (canvas.height - 1)), 1, 1)
        .data ?? []),
    ]);
  }, places);
}

const LARGE = 'img[alt$=", large"]';
const isWhite = ([r = 0, g = 0, b = 0]: number[]) => Math.min(r, g, b) > 246;

it('whitens a background, corrects the edge, takes back, does again, the same to the rest', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.choose([
    await garmentPicture('front.jpg', {}, 51),
    await garmentPicture('back.jpg', { side: 'back', tilt: 2 }, 52),
    await garmentPicture('close.jpg', { zoom: 3, at: [500, 500] }, 53),
  ]);
  await attic.sees('Saved, 3 pictures');
  await attic.press('Fill in its sheet');
  await attic.page.waitForSelector(LARGE);
  const corners: [number, number][] = [
    [0, 0],
    [1, 0],
    [0, 1],
    [1, 1],
  ];
  expect((await colours(attic, LARGE, corners)).some(isWhite)).toBe(false);

  await attic.press('Clean up picture 1');
  await attic.press('White');
  await attic.sees('Kept, 1 step');
  await attic.press('Square');
  await attic.sees('Kept, 2 steps');

  // A stroke over the middle of the chest says: this is background. It is taken back again.
  await attic.press('Correct edge');
  await attic.press('Is background');
  const stage = await attic.page.waitForSelector('[data-stage] img[alt*="shining through"]');
  const box = await stage?.boundingBox();
  if (!box) throw new Error('no stage');
  const [x, y] = [box.x + box.width / 2, box.y + box.height * 0.55];
  const finger = await attic.page.touchscreen.touchStart(x, y);
  for (let i = 1; i <= 6; i += 1) await finger.move(x, y + i * 6);
  await finger.end();
  await attic.sees('Kept, 3 steps');
  await attic.press('Back to the sheet');
  await attic.page.waitForSelector(LARGE);
  await until('the corners are white', async () => (await colours(attic, LARGE, corners)).every(isWhite));
  const middle: [number, number][] = [[0.5, 0.57]];
  await until('so is the chest', async () => (await colours(attic, LARGE, middle)).every(isWhite));

  await attic.press('Clean up picture 1');
  await attic.press('Undo last step');
  await attic.sees('Kept, 2 steps');
  await attic.press('Do the same to the rest');
  await attic.sees('Done to one other', 60_000);
  await attic.reload();
  await attic.sees('Kept, 2 steps');
  await attic.press('Back to the sheet');
  await attic.page.waitForSelector(LARGE);
  await until('the chest is back', async () => !(await colours(attic, LARGE, middle)).some(isWhite));
  await attic.page.locator('[data-picture]:nth-child(2)').click();
  await until('the back is white around', async () => (await colours(attic, LARGE, corners)).every(isWhite));

  await attic.press('Clean up picture 2');
  await attic.press('As it was taken');
  await attic.sees('As it was taken');
  await attic.press('Redo');
  await attic.sees('Kept, 1 step');
  await attic.press('Undo last step');
  await attic.page.waitForSelector('[aria-label="Undo last step"][aria-disabled=true]');
  await attic.press('Back to the sheet');
  await attic.page.locator('[data-picture]:nth-child(2)').click();
  await until('the floor is back', async () => !(await colours(attic, LARGE, corners)).some(isWhite));
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

/** Drags what is found so to a place on the picture, in shares of it. */
async function drag(attic: Attic, handle: string, to: { x: number; y: number }): Promise<void> {
  const middle = async (selector: string) => {
    const box = await (await attic.page.waitForSelector(selector))?.boundingBox();
    if (!box) throw new Error(`no ${selector}`);
    return box;
  };
  const frame = await middle('[data-stage]');
  const grip = await middle(handle);
  const { mouse } = attic.page;
  await mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await mouse.down();
  await mouse.move(frame.x + to.x * frame.width, frame.y + to.y * frame.height, { steps: 5 });
  await mouse.up();
}

it('measures a garment beside paper, draws the figures, follows them when they change', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.beginItem();
  const { file, place } = await measuredPicture('measured.jpg');
  await attic.choose([file]);
  await attic.sees('Saved, 1 picture');
  await attic.press('Jumper');
  await attic.press('Fill in its sheet');
  await attic.press('Measure in picture 1');
  await attic.press('A4 sheet');
  await attic.sees('A4 sheet found');
  await attic.sees(/tilted by (19|20|21)°/u);
  await attic.press('Pit to pit');

  // Its ends are dragged to two points whose distance is known.
  const ends: [number, number][] = [
    [310, 560],
    [690, 560],
  ];
  const truth = (690 - 310) * MEASURED_SCENE.mmPerUnit;
  for (const [i, [ux, uy]] of ends.entries()) {
    const end = place(ux, uy);
    const { size } = MEASURED_SCENE;
    await drag(attic, `[data-line=chest] circle:nth-of-type(${i + 1})`, { x: end.x / size, y: end.y / size });
  }
  await attic.press('Keep lengths, make the picture');
  await attic.page.waitForSelector('[role=main][aria-label="Item sheet"]');
  await attic.holds('Pit to pit', /\d/u);
  const cm = Number(await attic.value('Pit to pit'));
  // Dragging is exact to about a pixel of the screen, which is three of the picture.
  expect(Math.abs(cm * 10 - truth)).toBeLessThan(Math.max(3, truth * 0.01) + 3);
  await attic.sees('Measured in the picture, ±');

  await attic.page.waitForSelector('[data-picture]:nth-child(2)');
  const print = async () => {
    await attic.page.locator('[data-picture]:nth-child(2)').click();
    const image = await attic.page.waitForSelector('img[alt="Picture 2 of 2, large"]');
    return (await image?.evaluate((e) => (e as HTMLImageElement).src)) ?? '';
  };
  await until('the measurement picture is shown', async () => (await print()) !== '');
  const before = await print();
  await attic.fill('Pit to pit', '51,5');
  await attic.seesNot('Measured in the picture, ±');
  await until('it is drawn anew', async () => (await print()) !== before);
  await attic.press('Inches');
  const metric = await print();
  await until('and once more in inches', async () => (await print()) !== metric);

  // A tape's figures make the same picture, with nothing lying beside it.
  await attic.press('Centimetres');
  await attic.press('Change the measurement picture');
  await attic.press('Nothing: tape figures');
  await attic.press('Length');
  await attic.fill('Length', '68');
  await until('both lines are drawn', async () => (await attic.page.$$('[data-line]')).length === 2);
  await attic.press('Make the measurement picture');
  await attic.page.waitForSelector('[role=main][aria-label="Item sheet"]');
  await until('the figures are on it', async () => (await print()) !== metric);
  await attic.holds('Length', '68');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('measures nothing by a sheet it did not make out until a person has set it', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.beginItem();
  await attic.choose([await garmentPicture('no-sheet.jpg', {}, 67)]);
  await attic.sees('Saved, 1 picture');
  await attic.press('Jumper');
  await attic.press('Fill in its sheet');
  await attic.press('Measure in picture 1');
  await attic.press('A4 sheet');
  await attic.sees(/No a4 sheet was made out|Not sure that this is the a4 sheet/u);
  await attic.press('Length');
  await attic.page.waitForSelector('[data-line=length]');
  await attic.sees('Nothing is measured until the corners are right');
  await attic.page.waitForSelector(
    '::-p-xpath(//*[@role="button"][@aria-disabled="true"][contains(., "measurement picture")])',
  );

  // An upright sheet seen from above: 21 to 29.7 on a square picture.
  const corners = [
    [0.05, 0.05],
    [0.26, 0.05],
    [0.26, 0.347],
    [0.05, 0.347],
  ] as const;
  for (const [i, [x, y]] of corners.entries()) await drag(attic, `[data-corner="${i}"] circle`, { x, y });
  await attic.press('The corners are right');
  await attic.sees('A4 sheet set by hand');
  await attic.sees(/Length: \d+([.,]\d)? cm ± .*\?/u);
  await attic.sees('Look at the line');
  await attic.press('Length lies right');
  await attic.press('Keep lengths, make the picture');
  await attic.page.waitForSelector('[role=main][aria-label="Item sheet"]');
  await attic.holds('Length', /\d/u);
  await attic.sees('Measured in the picture, ±');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('says in time that room runs out, and loses nothing when it has', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.choose([await garmentPicture('first.jpg', {}, 61)]);
  await attic.sees('Saved, 1 picture');
  // What the browser answers when it is asked how much room there is.
  const reports = (left: number) =>
    attic.page.evaluate((free) => {
      navigator.storage.estimate = async () => ({ usage: 1_000_000, quota: 1_000_000 + free });
    }, left);
  await reports(60_000_000);
  await attic.choose([await garmentPicture('second.jpg', {}, 62)]);
  await attic.sees('more pictures on this device: free some');
  await reports(10_000_000_000);
  await attic.choose([await garmentPicture('third.jpg', {}, 63)]);
  await attic.seesNot('more pictures on this device: free some');

  // The browser refuses to store pictures, as it does at the end of its room; small records still fit.
  await attic.page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    const own = window as unknown as { roomAgain?: () => void };
    own.roomAgain = () => (IDBObjectStore.prototype.put = put);
    IDBObjectStore.prototype.put = function (value: unknown, ...key) {
      if (value instanceof Blob || Object.values(value ?? {}).some((v) => v instanceof Blob))
        throw new DOMException('no room', 'QuotaExceededError');
      return put.call(this, value, ...key);
    };
  });
  await attic.choose([await garmentPicture('fourth.jpg', {}, 64)]);
  await attic.sees('This device has no room left for the attic.');
  await attic.sees('Save the waiting pictures as a file');
  // Room again: what waited is stored by itself, and is there after a reload.
  await attic.page.evaluate(() => (window as unknown as { roomAgain: () => void }).roomAgain());
  await attic.seesNot('no room left for the attic', 30_000);
  await attic.press('Fill in its sheet');
  await attic.saved();
  await attic.reload();
  await until('four pictures', async () => (await attic.page.$$('[data-picture]')).length === 4);
  await attic.page.locator('[data-picture]:nth-child(4)').click();
  await attic.page.waitForSelector('img[alt="Picture 4 of 4, large"]');
  await attic.page.close();
});
