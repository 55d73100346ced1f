import { Owner } from '@/contract/records';

import { Attic } from './attic';
import { PHONE } from './browser';
import { buyAt, until, writeAt } from './serverProcess';
import { startTestServer } from './testServer';
import { jumper, itemsReady } from './world';

const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
const MET = 'Gansey jumper for a neighbour';
const OFFERED = 'Gansey jumper that two want';
const BACK = 'Gansey jumper that does not fit';
const BASKET = 'Gansey jumper for a basket';
const PAPER = 'Gansey jumper on a paper board';
const HERS = ['Gansey jumper, one of hers', 'Gansey jumper, another of hers'] as const;
const ALDOUS = Owner.parse({
  id: '00000z-her',
  name: 'Mrs Aldous',
  days: 90,
  atEnd: 'back',
  of: 'afterFees',
  tiers: [
    { under: 10_000, shareBp: 6_000 },
    { under: null, shareBp: 7_000 },
  ],
});

const listed = (title: string, markets: string[], part: Parameters<typeof jumper>[2] = {}) => ({
  ...jumper(title, markets, { description: LONG, ...part }),
  sent: true,
});
const at = startTestServer({
  world: () =>
    itemsReady(
      [
        listed(MET, ['nearstile', 'lanternyard'], { price: 4_000 }),
        listed(OFFERED, ['brackenmoor', 'threadwick'], {
          price: 4_900,
          offers: { acceptFrom: 4_600, refuseUnder: 3_000 },
        }),
        listed(BACK, ['brackenmoor', 'lanternyard'], { price: 4_700 }),
        listed(HERS[0], ['brackenmoor'], { price: 4_800, ownerId: ALDOUS.id }),
        listed(HERS[1], ['threadwick'], { price: 4_800, ownerId: ALDOUS.id }),
        listed(BASKET, ['lanternyard', 'brackenmoor'], { price: 4_600 }),
        listed(PAPER, ['handbill', 'brackenmoor'], { price: 4_500 }),
      ],
      [],
      [ALDOUS],
    ),
});

/** The public page of an item's live listing, as the app knows it. */
async function pageOf(attic: Attic, title: string, market: string): Promise<string> {
  await attic.openItem(title);
  await attic.waitForSign(`${market}: live`);
  return attic.publicPage(market);
}

/** From Today: the one parcel there is goes its way. */
async function packAndHandIn(attic: Attic): Promise<void> {
  await attic.press('Picked and packed');
  await attic.press('Go on packing');
  await attic.buyLabel();
  await attic.press('Handed in');
  await attic.sees('Nothing to pack');
}

it('arranges a meeting, holds the item meanwhile, and puts it up again when nobody comes', async () => {
  const attic = await Attic.open(at, PHONE);
  const page = await pageOf(attic, MET, 'Nearstile');
  await attic.waitForSign('Lanternyard: live');
  await writeAt(page, { who: 'Wilma', words: 'Is it still here? I could come today.' });
  await attic.visit('/talks');
  await attic.sees('Wilma: Is it still here?');
  await attic.press('Still here, to Wilma');
  await attic.holds('Answer to Wilma', 'Hello Wilma, yes, it is still here. It costs €40.00.');
  await attic.press('Send to Wilma');
  await attic.sees('You: Hello Wilma');
  // Agreed and told: where, when and one press, nothing typed.
  attic.taps = 0;
  attic.typed = 0;
  await attic.press('Arrange a meeting with Wilma');
  await attic.press('Harbour steps', '[aria-label="Meeting with Wilma"]');
  await attic.setMoment('Day and time', Date.now() + 5_400_000);
  await attic.press('Promise it and tell Wilma');
  await attic.sees('Told just now.');
  expect([attic.taps, attic.typed]).toEqual([4, 0]);
  await attic.sees(
    /You: .*Let us meet on \w+ \d+ \w+ at \d\d:\d\d: Harbour steps\. It comes to €40\.00 in cash/u,
  );
  // Every page tells of it before it is time, with where it lies.
  await attic.go('Stock');
  await attic.sees(
    /Meeting Wilma at \d\d:\d\d, Harbour steps: YA-\d+ Gansey jumper for a neighbour, from A3-12/u,
  );
  await attic.visit('/talks');
  await attic.press('Meetings');
  await attic.press('Remind Wilma of the meeting');
  await attic.sees(/see you (today|on .*) at \d\d:\d\d: Harbour steps/u);
  await attic.press('All');
  await attic.openItem(MET);
  await attic.waitForSign('Nearstile: live, on hold');
  await attic.waitForSign('Lanternyard: ended');
  await until('the neighbours are told', async () =>
    (await (await fetch(page)).text()).includes('Promised to a neighbour'),
  );
  await attic.go('Today');
  await attic.sees('Harbour steps: €40.00 in cash');
  await attic.press(`Nobody came for ${MET}`);
  await attic.seesNot('Harbour steps');
  await attic.openItem(MET);
  await attic.waitForSign('Lanternyard: live');
  await attic.waitForSign('Nearstile: live, €40.00');
  // The next one comes: first the money, then the item, and only then it is sold.
  await writeAt(page, { who: 'Odo', words: 'I would take it.' });
  await attic.visit('/talks');
  await attic.sees('Wilma on Nearstile');
  await attic.press('Arrange a meeting with Odo');
  await attic.setMoment('Day and time', Date.now() + 5_400_000);
  await attic.press('Promise it to Odo');
  await attic.go('Today');
  await attic.press(`Money received for ${MET}`);
  await attic.press(`Handed over: ${MET}`);
  await attic.openItem(MET);
  await attic.waitForSign('Nearstile: sold');
  await attic.waitForSign('Lanternyard: ended');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('shows several buyers of one item side by side, and answers offers by its limits', async () => {
  const attic = await Attic.open(at, PHONE);
  const moor = await pageOf(attic, OFFERED, 'Brackenmoor');
  const wick = await pageOf(attic, OFFERED, 'Threadwick');
  await writeAt(moor, { who: 'Imke', euros: '20.00' });
  await writeAt(moor, { who: 'Tamsin', euros: '41.00' });
  const kester = await writeAt(wick, { who: 'Kester', euros: '43.00', words: 'Could you?' });
  await attic.visit('/talks');
  // Too low: refused by itself. The others are put before the person, the higher first.
  await attic.sees('Imke offers €20.00 (you said no)');
  await attic.sees('3 buyers');
  const text = await attic.text();
  expect(text.indexOf('Kester on Threadwick')).toBeLessThan(text.indexOf('Tamsin on Brackenmoor'));
  await attic.press('Ask Tamsin for more');
  await attic.sees('Tamsin offers €41.00 (you asked for more: €45.00)');
  await attic.press('Take Kester’s offer');
  await attic.sees('Promised to Kester');
  await attic.openItem(OFFERED);
  await attic.waitForSign('Threadwick: live, on hold');
  await attic.waitForSign('Brackenmoor: ended');
  // Kester pays what was agreed: the promise is kept, and nobody else is to be told anything.
  await kester('pay');
  await attic.waitForSign('Threadwick: sold');
  await attic.go('Today');
  await attic.sees('Sold on Threadwick for €43.00');
  await attic.seesNot('Promised to Kester');
  await packAndHandIn(attic);
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('takes a return: back in hand, money given back, graded again, up again where it was', async () => {
  const attic = await Attic.open(at, PHONE);
  await buyAt(await pageOf(attic, BACK, 'Brackenmoor'));
  await attic.waitForSign('Lanternyard: ended');
  await attic.go('Today');
  await packAndHandIn(attic);
  await attic.go('Sales');
  await attic.press(`Order of ${BACK}`);
  await attic.press('It comes back');
  await attic.press('Does not fit');
  await attic.press('Expect it back');
  await attic.press('It is back in hand');
  await attic.go('Today');
  await attic.press('Settle it');
  await attic.sees('Marketplace told');
  await attic.press('Give €51.20 back');
  await attic.sees('€51.20 given back');
  await attic.press('Grade it again');
  await attic.addFlaw('pulled thread', 'cuff', 'Slight');
  await attic.saved();
  await attic.go('Today');
  await attic.press('Decide');
  await attic.press('List it again on Brackenmoor, Lanternyard');
  await attic.openItem(BACK);
  await attic.waitForSign('Brackenmoor: live');
  await attic.waitForSign('Lanternyard: live');
  // Its statement and what was told agree, the fee that came back included.
  await attic.visit('/payouts');
  await attic.press('Fetch the statement of Brackenmoor');
  await attic.sees('all to the cent as told at the sale');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('takes it down elsewhere when the own shop or a paper board sells it', async () => {
  const attic = await Attic.open(at, PHONE);
  await buyAt(await pageOf(attic, BASKET, 'Lanternyard'));
  await attic.waitForSign('Lanternyard: sold');
  await attic.waitForSign('Brackenmoor: ended');
  await attic.openItem(PAPER);
  await attic.fill('Its address on Handbill', '/outside/handbill/notice/abc');
  await attic.press('It is up on Handbill');
  await attic.waitForSign('Handbill: live');
  await attic.press('Sold on Handbill for €45.00');
  await attic.waitForSign('Handbill: sold');
  await attic.waitForSign('Brackenmoor: ended');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('tells a consignor to the cent what she is owed, on the page and in a table', async () => {
  const attic = await Attic.open(at, PHONE);
  await buyAt(await pageOf(attic, HERS[0], 'Brackenmoor'));
  await buyAt(await pageOf(attic, HERS[1], 'Threadwick'));
  await attic.waitForSign('Threadwick: sold');
  await attic.visit('/owners');
  await attic.press('Statement for Mrs Aldous');
  // By hand. Brackenmoor: 48.00 + 4.20 - 7.62 fees - 4.20 post - 0.60 packing = 39.78, 60 % is 23.868.
  // Threadwick: 48.00 + 3.90 - 8.40 fees - 4.20 post - 0.60 packing = 38.70, 60 % is 23.22. Together 47.09.
  await attic.sees('Owed: €47.09');
  await attic.fill('Amount paid', '20');
  await attic.press('Write down €20.00 as paid');
  await attic.sees('Owed: €27.09');
  const rows = (await attic.saves('Save as a table')).toString('utf8').trim().split('\r\n');
  expect(rows).toHaveLength(4);
  expect(rows.slice(1).map((r) => r.split(',').slice(-2).join())).toEqual([
    '23.87,23.87',
    '23.22,47.09',
    '-20.00,27.09',
  ]);
  expect((await attic.saves('Save as PDF')).subarray(0, 5).toString()).toBe('%PDF-');
  expect(attic.complaints).toEqual([]);
});
