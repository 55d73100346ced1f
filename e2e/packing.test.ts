import { PDFDocument } from 'pdf-lib';

import { Attic } from './attic';
import { PHONE } from './browser';
import { buyAt, until } from './serverProcess';
import { startTestServer } from './testServer';
import { jumper, itemsReady } from './world';

const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
/** Ten that sell in a day, and an eleventh that looks just like the tenth and does not. */
const TITLES = [
  ...['Apple', 'Birch', 'Cedar', 'Dogwood', 'Elm', 'Fir', 'Gorse', 'Hazel', 'Ivy'].map(
    (w) => `Gansey jumper in the pattern ${w}`,
  ),
  'Gansey jumper in navy wool with cables',
  'Gansey jumper in navy wool with cables, two',
];
const spotOf = (i: number) => `A${1 + (i % 3)}-${String(12 - i).padStart(2, '0')}`;
const codeOf = (i: number) => `YA-${String(i + 1).padStart(4, '0')}`;

const at = startTestServer({
  world: () =>
    itemsReady(
      TITLES.map((title, i) => ({
        ...jumper(title, ['brackenmoor'], { description: LONG, price: 4_000 + i * 100, spot: spotOf(i) }),
        sent: true,
      })),
    ),
});

it('packs a day’s ten orders: past the shelves, the right look-alike, weighed, labelled', async () => {
  const attic = await Attic.open(at, PHONE);
  await until('all are live', async () => (await at.server.offered('brackenmoor')).length === TITLES.length);
  const pages = await Promise.all(
    (await at.server.offered('brackenmoor')).map(async (path) => {
      const address = `${at.server.address}${path}`;
      return { address, text: await (await fetch(address)).text() };
    }),
  );
  for (const { address, text } of pages) if (!text.includes('cables, two')) await buyAt(address);
  await attic.visit('/packing');
  await attic.sees('To pick: 10');
  // In the order of the shelves.
  let spots: string[] = [];
  await until('ten spots are named', async () => {
    spots = (await attic.text()).match(/A\d-\d\d(?=\n)/gu) ?? [];
    return spots.length === 10;
  });
  expect(spots).toEqual([...spots].sort());
  const scan = (code: string, text: string) => attic.scan(`Code on ${code}`, text);
  await attic.sees(`It has a look-alike: ${codeOf(10)} on ${spotOf(10)}.`);
  await scan(codeOf(9), codeOf(10));
  await attic.sees(`That is ${codeOf(10)}`);
  await attic.sees(`This order is for ${codeOf(9)}: put it back.`);
  for (let i = 0; i < 10; i += 1) await scan(codeOf(i), codeOf(i).toLowerCase());
  await attic.seesNot('To pick');
  // One of them is heavier than it should be.
  await attic.fill('Weight as packed', '1240');
  await attic.sees('420 g heavier than recorded: is it the right one?');
  for (let left = 10; left > 0; left -= 1) {
    const packed = await attic.page.waitForSelector('[aria-label^="Packed: "]');
    const name = (await packed?.evaluate((e) => e.getAttribute('aria-label'))) ?? '';
    await attic.press(name);
    await attic.seesNot(name.replace('Packed: ', 'Pack '));
  }
  await attic.sees('To label: 10');
  await attic.press('Buy 10 labels');
  await attic.sees('To drop off: 10');
  const labels = await PDFDocument.load(await attic.saves('Save 10 labels as one PDF'));
  expect(labels.getPageCount()).toBe(10);
  const slips = await PDFDocument.load(await attic.saves('Save the packing slips'));
  expect(slips.getPageCount()).toBe(10);
  await attic.press('All 10 handed in');
  await attic.sees('Nothing to pack');
  // The marketplace was told, each with a number of its own.
  const token = await at.server.token('brackenmoor');
  const ask = async (path: string) =>
    (await (
      await fetch(`${at.server.address}/outside/brackenmoor/v1/${path}`, {
        headers: { authorization: `Bearer ${token}` },
      })
    ).json()) as Record<string, unknown>;
  const { happenings } = (await ask('happenings?after=0')) as unknown as {
    happenings: { order: string }[];
  };
  const orders = () => Promise.all(happenings.map(async ({ order }) => ask(`orders/${order}`)));
  await until('all ten are told to be posted', async () =>
    (await orders()).every((o) => o.state === 'posted'),
  );
  const told = await orders();
  expect(told).toHaveLength(10);
  expect(new Set(told.map((o) => o.tracking)).size).toBe(10);
  // Two days pass at the carrier's: what has arrived is noted by itself.
  await at.server.switchboard('pennant', { dayLasts: 100 });
  await attic.visit('/sales');
  await attic.sees('Arrived', 60_000);
  expect(attic.complaints).toEqual([]);
});
