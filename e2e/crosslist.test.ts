import { Attic } from './attic';
import { PHONE, WIDE } from './browser';
import { startTestServer } from './testServer';
import { jumper, itemsReady, type ReadyItem } from './world';

const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
const BARCODES = ['2000000000015', '2000000000046', '2000000000077', '2000000000107'];
/** Sixteen jumpers, which no record shop takes, and four books, which no clothes shop takes. */
const TWENTY = Array.from(
  { length: 20 },
  (_, i) => `${i < 16 ? 'Gansey jumper' : 'Field guide'} of chest number ${i + 1}`,
);
const SEVEN = [
  'Brackenmoor',
  'Threadwick',
  'Nearstile',
  'Oldhollow',
  'Quirestack',
  'Lanternyard',
  'Handbill',
];
const book = (title: string, barcode: string, price: number): ReadyItem => ({
  part: {
    kind: 'book',
    title,
    description: LONG,
    use: 'regular',
    cost: 100,
    price,
    weightG: 480,
    spot: 'Box 2',
    facts: { model: title, author: 'E. Farrowdale', brand: 'Drumlin Press', barcode, decade: '1970s' },
  },
  markets: [],
});
const [FIRST, SECOND] = ['Gansey jumper, first in petrol', 'Gansey jumper, second in petrol'];
const PHONE_ONE = 'Gansey jumper for one thumb';
const petrol = (title: string, price: number) =>
  jumper(title, ['brackenmoor', 'threadwick'], {
    facts: { brand: 'Ostler', department: 'Men', size: 'M', colour: 'Thunder', material: 'Wool' },
    price,
  });

const at = startTestServer({
  world: () =>
    itemsReady([
      petrol(FIRST!, 5_100),
      petrol(SECOND!, 5_200),
      jumper(PHONE_ONE, [], { description: LONG, price: 5_300, facts: { decade: '1970s' } }),
      ...TWENTY.map((title, i) =>
        i < 16
          ? jumper(title, [], { description: LONG, price: 6_000 + i * 100, facts: { decade: '1970s' } })
          : book(title, BARCODES[i - 16]!, 900 + i * 100),
      ),
    ]),
});

it('asks what it must the first time, and nothing the second', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.openItem(FIRST!);
  await attic.sees('from its own list');
  attic.taps = 0;
  for (const market of ['Brackenmoor', 'Threadwick'])
    await attic.press('Blue', `[role=radiogroup][aria-label$="olour on ${market}"]`);
  await attic.press('Send to Brackenmoor and Threadwick');
  await attic.waitForSign('Threadwick: live');
  await attic.waitForSign('Brackenmoor: live');
  const first = { taps: attic.taps, typed: attic.typed };
  await attic.openItem(SECOND!);
  attic.taps = attic.typed = 0;
  await attic.press('Send to Brackenmoor and Threadwick');
  await attic.waitForSign('Threadwick: live');
  await attic.waitForSign('Brackenmoor: live');
  process.stdout.write(
    `a jumper on two marketplaces: first time ${first.taps} taps, ${first.typed} characters; ` +
      `second time ${attic.taps} and ${attic.typed}\n`,
  );
  expect(attic.taps).toBe(1);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('lists one item on six marketplaces by thumb', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.go('Stock');
  attic.taps = 0;
  await attic.press('Crosslist');
  await attic.fill('Search', 'one thumb');
  for (const market of ['Brackenmoor', 'Threadwick', 'Nearstile', 'Oldhollow', 'Lanternyard', 'Handbill'])
    await attic.press(`${PHONE_ONE}, ${market}: not planned`);
  await attic.press('Review 6 to send');
  await attic.sees('Fees up to €');
  await attic.press('Send 6');
  // One of them is put up by hand.
  await attic.sees('5 there, 1 to do by hand', 60_000);
  process.stdout.write(
    `one item on six marketplaces by thumb: ${attic.taps} taps, ${attic.typed} characters\n`,
  );
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('sends twenty items to seven marketplaces in one go on a wide page, each once', async () => {
  const attic = await Attic.open(at, WIDE);
  await attic.go('Stock');
  await attic.press('Crosslist');
  await attic.fill('Search', 'chest number');
  await attic.press('Choose all 20');
  attic.taps = 0;
  for (const market of SEVEN) await attic.press(`Plan all for ${market}, or none`);
  // What a marketplace does not take stays behind, with the reason.
  await attic.sees('120 ready', 60_000);
  await attic.sees('20 to put right');
  await attic.sees('Take-home €');
  await attic.press('Review 120 to send');
  await attic.sees('120 go');
  await attic.sees('20 stopped');
  await attic.press('Send 120');
  // It goes on while the person is elsewhere.
  await attic.go('Today');
  await attic.sees('To put up on Handbill by hand', 90_000);
  await attic.go('Stock');
  await attic.press('Crosslist');
  await attic.fill('Search', 'chest number');
  await attic.sees('100 live', 480_000);
  process.stdout.write(
    `twenty items on seven marketplaces: ${attic.taps} taps, ${attic.typed - 24} characters\n`,
  );
  for (const market of ['brackenmoor', 'threadwick', 'oldhollow', 'lanternyard']) {
    const shop = await (await fetch(`${at.server.address}/outside/${market}/`)).text();
    for (const title of TWENTY.slice(0, market === 'threadwick' ? 16 : 20))
      expect([market, title, shop.split(`${title}<`).length - 1]).toEqual([market, title, 1]);
  }
  // Those taken down are taken down, in one go.
  // The one by its title, another by its code.
  await attic.fill('Search', 'chest number 17');
  await attic.press('Choose all 2');
  await attic.press('Withdraw');
  await attic.sees('12 come down');
  await attic.press('Withdraw 12');
  await attic.sees('All 12 are done', 60_000);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});
