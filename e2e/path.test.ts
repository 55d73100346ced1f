import exifr from 'exifr';

import { Attic } from './attic';
import { PHONE } from './browser';
import { fillInTheSheet, pressThere } from './listing';
import { fourPictures } from './pictures';
import { until } from './serverProcess';
import { startTestServer } from './testServer';

const at = startTestServer();

/** One picture of a public page, as a buyer's browser gets it. */
async function picturesOn(address: string): Promise<{ width: number; height: number; bytes: Buffer }[]> {
  const page = await at.browser.newPage();
  await page.goto(address);
  const shown = await page.$$eval('.strip img', (all) =>
    all.map((img) => ({
      src: (img as HTMLImageElement).src,
      width: (img as HTMLImageElement).naturalWidth,
      height: (img as HTMLImageElement).naturalHeight,
    })),
  );
  await page.close();
  return Promise.all(
    shown.map(async ({ src, width, height }) => ({
      width,
      height,
      bytes: Buffer.from(await (await fetch(src)).arrayBuffer()),
    })),
  );
}

it('photographs one item, lists it thrice, sells it once, and it is gone from the others', async () => {
  const attic = await Attic.open(at, PHONE);

  // A new attic asks a few things first; an empty one teaches where to begin.
  await attic.press('Skip all of this');
  await attic.press('Begin with a picture');
  await attic.choose(await fourPictures());
  await attic.sees('Saved, 4 pictures');
  await attic.sees('YA-0001');

  // It is there after the page is loaded anew, before anything else was said of it.
  await attic.reload();
  await attic.go('Stock');
  await attic.sees('YA-0001');
  await attic.openItem('YA-0001');

  // Upright: the red edge that lies at the left in the file is at the top.
  await attic.page.waitForSelector('img[alt="Picture 1 of 4, large"]');
  const upright = await attic.page.$eval('img[alt="Picture 1 of 4, large"]', async (element) => {
    const img = element as HTMLImageElement;
    await img.decode();
    const canvas = document.createElement('canvas');
    canvas.width = img.naturalWidth;
    canvas.height = img.naturalHeight;
    const pen = canvas.getContext('2d');
    pen?.drawImage(img, 0, 0);
    const at = (x: number, y: number) => [...(pen?.getImageData(x, y, 1, 1).data ?? [])];
    return {
      width: img.naturalWidth,
      height: img.naturalHeight,
      top: at(canvas.width / 2, 60),
      left: at(20, canvas.height - 60),
    };
  });
  // As kept: 2 400 on the longer side, three quarters of that on the other.
  expect(upright).toMatchObject({ width: 1_800, height: 2_400 });
  expect(upright.top[0]).toBeGreaterThan(180);
  expect(upright.top[1]).toBeLessThan(70);
  expect(upright.left[1]).toBeGreaterThan(150);

  await fillInTheSheet(attic);
  await attic.sees('Grade: Plainly worn');
  await attic.sees('8.0 times what it cost.');

  // A slip is refused with a reason, and what was typed stays to be put right.
  await attic.fill('Price', '48 or so');
  await attic.sees('Use digits only, like 24.00.');
  await attic.holds('Price', '48 or so');
  await attic.fill('Price', '48');

  // Nothing is gone after a reload.
  await attic.saved();
  await attic.reload();
  for (const section of ['Title and description', 'Measurements', 'Condition']) await attic.unfold(section);
  await until('the title is back', async () =>
    (await attic.value('Title')).startsWith('Kittiwake Mills gansey'),
  );
  await attic.holds('Length', '68.5');
  await attic.sees('Darned, right elbow');

  // Wanted on all three: the check shows what stands against it, at the field, and takes the person there.
  for (const market of ['Brackenmoor', 'Threadwick', 'Nearstile']) await attic.press(`List it on ${market}`);
  await attic.sees('Too long for Threadwick: there it is “Kittiwake Mills Men jumper');
  await attic.sees('Where to meet: Nearstile asks.');
  await attic.openMarket('Threadwick');
  await attic.press('Own title on Threadwick');
  await attic.fill('Title on Threadwick', 'Kittiwake Mills gansey jumper, navy wool, size M');
  await attic.openMarket('Nearstile');
  await attic.press('Own price on Nearstile');
  await attic.fill('Price on Nearstile', '40');
  await attic.sees('instead of €48.00');
  await attic.press('Harbour steps');
  await attic.seesNot('Too long for Threadwick');

  // Fees and take-home before anything is sent. Worked by hand: 11.5 % of 52.20 is 6.00, order fee 0.35, tax
  // on fees 1.27, packaging 0.60 -> 39.78; Threadwick 17.5 % of 48.00 is 8.40, 3.90 for postage of 4.20 ->
  // 38.70.
  await attic.openMarket('Brackenmoor');
  for (const words of ['€39.78', '€38.70', 'Take-home €38.70 to €40.00, wherever it sells first.'])
    await attic.sees(words);

  await attic.press('Send to 3 marketplaces');
  await attic.waitForSign('Brackenmoor: live, €48.00');
  await attic.waitForSign('Threadwick: live, €48.00');
  await attic.waitForSign('Nearstile: live, €40.00');

  // Each live window opens a public page with the right pictures, words, price and condition.
  const moor = await attic.publicPage('Brackenmoor');
  const moorText = await (await fetch(moor)).text();
  for (const words of [
    'Kittiwake Mills gansey jumper, navy wool, men’s size M',
    '48.00 €',
    'Seasoned, wear to see',
    'Knitwear',
    'darned, right elbow (4.2 cm)',
  ])
    expect(moorText).toContain(words);
  expect(moorText).not.toContain('A3-12');
  const pictures = await picturesOn(moor);
  expect(pictures.map((p) => [p.width, p.height])).toEqual([
    [1_500, 2_000],
    [1_500, 1_500],
    [1_500, 1_500],
    [1_500, 1_500],
  ]);
  for (const { bytes } of pictures) {
    // The place where it was taken never left the device.
    expect(await exifr.gps(bytes)).toBeUndefined();
    expect(bytes.includes('Exif') || bytes.includes('Hobley')).toBe(false);
  }
  const wick = await attic.publicPage('Threadwick');
  const wickText = await (await fetch(wick)).text();
  for (const words of ['Kittiwake Mills gansey jumper, navy wool, size M', '48.00 €', 'Lived in', 'Blue'])
    expect(wickText).toContain(words);
  for (const p of await picturesOn(wick)) expect(p.width).toBe(p.height);
  const stile = await attic.publicPage('Nearstile');
  const stileText = await (await fetch(stile)).text();
  for (const words of ['40.00 €', 'Used', 'Meet the seller: Harbour steps'])
    expect(stileText).toContain(words);

  // Somebody buys it on Brackenmoor; the open page shows what follows, without being touched.
  const buyer = await at.browser.newPage();
  await buyer.goto(moor);
  await pressThere(buyer, 'Buy');
  expect(await buyer.content()).toContain('This has been bought.');
  await attic.page.bringToFront();
  await attic.waitForSign('Brackenmoor: sold');
  await attic.waitForSign('Threadwick: ended');
  await attic.waitForSign('Nearstile: ended');
  expect(await (await fetch(wick)).text()).toContain('It was taken down.');
  expect(await (await fetch(stile)).text()).toContain('Taken off the board.');

  // Today says what sold, where, for how much, take-home and where to fetch it; the closing record is the
  // proof.
  await attic.go('Today');
  for (const words of [
    'Sold on Brackenmoor for €48.00',
    'Take-home €39.78',
    'Fetch it from A3-12',
    'Gone everywhere in',
    'One sale today: €39.78',
  ])
    await attic.sees(words);
  let record: string[] = [];
  await until('the closing record has three rows', async () => {
    record = await attic.page.$$eval('[aria-label="Closing record"] [role=row]', (rows) =>
      rows.map((r) => (r as HTMLElement).innerText.replace(/\n/gu, ' ')),
    );
    return record.length === 3;
  });
  expect(record[0]).toMatch(/Brackenmoor sold here \d\d:\d\d:\d\d/u);
  expect(record[1]).toMatch(/Threadwick withdrawn [\d.]+ s later/u);
  expect(record[2]).toMatch(/Nearstile withdrawn [\d.]+ s later/u);
  await attic.press('Picked and packed');
  await attic.press('Go on packing');
  await attic.buyLabel();
  await attic.sees('Postage paid: €');
  const postage = Number(/Postage paid: €([\d.]+)/u.exec(await attic.text())?.[1]);
  await attic.press('Handed in');
  await attic.sees('Nothing to pack');
  await attic.go('Today');
  await attic.sees('Nothing needs you');

  await attic.go('Sales');
  // Reckoned with 4.20 inland; a buyer may live further away, and then the label costs more.
  await attic.sees(`home €${(39.78 + 4.2 - postage).toFixed(2)}`);
  await attic.go('Ledger');
  await attic.sees(/1 sold[\s\S]*Takings\s+€48\.00/u);
  await attic.press('What the courier did');
  await attic.sees('sold for 48.00, order BM');
  expect(attic.complaints).toEqual([]);
});
