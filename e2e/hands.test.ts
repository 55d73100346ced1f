import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { garmentPicture, keep, phonePicture } from './pictures';
import { until } from './serverProcess';
import { startTestServer } from './testServer';

const at = startTestServer({ scene: () => garmentPicture('scene.mjpeg', {}, 11) });

const order = (attic: Attic) =>
  attic.page.$$eval('[data-picture]', (all) => all.map((e) => e.getAttribute('data-picture')));

/** Where a picture's middle is, once the page has come to rest. */
async function middleOf(attic: Attic, index: number): Promise<{ x: number; y: number }> {
  let last = '';
  let middle = { x: 0, y: 0 };
  await until('the pictures lie still', async () => {
    const tile = (await attic.page.$$('[data-picture]'))[index];
    await tile?.scrollIntoView();
    const box = await tile?.boundingBox();
    if (!box) return false;
    middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    const now = JSON.stringify(middle);
    const still = now === last;
    last = now;
    return still;
  });
  return middle;
}

/** Nobody lets go before the others have moved aside. */
const madeRoom = (attic: Attic, others: number) =>
  until('the others make room', async () => {
    const moved = await attic.page.$$eval('[data-picture]', (all) =>
      all.map((e) => (e as HTMLElement).style.transform).filter((t) => /\((?!0px, 0px)/u.test(t)),
    );
    // And the one in the hand.
    return moved.length === others + 1;
  });

it('takes pictures with the live camera, item after item', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.press('Open the camera');
  await attic.press('Take the picture');
  await attic.sees('Saved, 1 picture');
  await attic.press('Take the picture');
  await attic.sees('Saved, 2 pictures');
  await attic.sees('YA-0001');
  await attic.press('Next item');
  await attic.sees('A new item');
  await attic.press('Take the picture');
  await attic.sees('YA-0002');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('says of each file it can’t take why, and takes the others', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.beginItem();
  await attic.choose([
    keep('empty.jpg', new Uint8Array()),
    keep('notes.jpg', Buffer.from('not a picture at all, only words')),
    keep('broken.jpg', Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(400)])),
    keep('phone.heic', Buffer.from('\0\0\0\x18ftypheic\0\0\0\0', 'latin1')),
    await garmentPicture('good.jpg', {}, 12),
  ]);
  await attic.sees('Saved, 1 picture');
  for (const words of [
    'empty.jpg: The file is empty.',
    'notes.jpg: This is not a picture.',
    'broken.jpg: The picture is damaged',
    'phone.heic: The picture is damaged',
  ])
    await attic.sees(words);
  await attic.page.close();
});

it('reorders pictures by mouse and by finger, and takes removal back, also after a reload', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.beginItem();
  await attic.choose([
    await garmentPicture('a.jpg', {}, 21),
    await garmentPicture('b.jpg', { side: 'back' }, 22),
    await garmentPicture('c.jpg', { zoom: 3 }, 23),
  ]);
  await attic.sees('Saved, 3 pictures');
  await attic.press('Fill in its sheet');
  await attic.page.waitForSelector('[data-picture]');
  const before = await order(attic);

  const from = await middleOf(attic, 0);
  const to = await middleOf(attic, 2);
  await attic.page.mouse.move(from.x, from.y);
  await attic.page.mouse.down();
  await attic.page.mouse.move(from.x + 12, from.y, { steps: 3 });
  await attic.page.mouse.move(to.x + 6, to.y, { steps: 8 });
  await attic.sees('Picture 1 is over Picture 3.');
  await madeRoom(attic, 2);
  await attic.page.mouse.up();
  await until(
    'the first is now the last',
    async () => (await order(attic)).join() === [before[1], before[2], before[0]].join(),
  );

  // By finger: a tap and a scroll are something else, so it takes a moment's hold.
  await attic.saved();
  await attic.page.setViewport(PHONE);
  await attic.page.waitForSelector('img[alt="Picture 1 of 3, large"]');
  const start = await middleOf(attic, 2);
  const end = await middleOf(attic, 0);
  const finger = await attic.page.touchscreen.touchStart(start.x, start.y);
  await new Promise((done) => setTimeout(done, 350));
  for (let i = 1; i <= 8; i += 1)
    await finger.move(start.x + ((end.x - 6 - start.x) * i) / 8, start.y + ((end.y - start.y) * i) / 8);
  await madeRoom(attic, 2);
  await finger.end();
  await until('it is the first again', async () => (await order(attic)).join() === before.join());

  await attic.press('Remove picture 1');
  await attic.sees('Picture removed.');
  await until('two are left', async () => (await order(attic)).length === 2);
  await attic.saved();
  await attic.reload();
  await attic.sees('Picture removed.');
  await attic.press('Undo');
  await until('all three are back', async () => (await order(attic)).join() === before.join());
  await attic.page.waitForSelector('img[alt="Picture 1 of 3, large"]');
  expect(attic.complaints).toEqual([]);
});

it('keeps what was typed by hostile hands: emoji, right-to-left, markup, 10,000 characters', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.beginItem();
  await attic.choose([await phonePicture('again.jpg')]);
  await attic.sees('Saved, 1 picture');
  await attic.press('Fill in its sheet');
  const hostile = '<img src=x onerror=alert(1)> 🧶 نص "quoted" \\n {{x}}';
  await attic.fill('Title', hostile);
  await attic.page.$eval('textarea[aria-label="Description"]', (field) => {
    const area = field as HTMLTextAreaElement;
    Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')?.set?.call(
      area,
      'x'.repeat(10_000),
    );
    area.dispatchEvent(new Event('input', { bubbles: true }));
  });
  // The page goes away before the pause in which it would be stored.
  await attic.reload();
  await attic.holds('Title', hostile);
  await attic.holds('Description', 'x'.repeat(10_000));
  expect(attic.complaints).toEqual([]);
});
