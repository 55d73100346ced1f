import { Attic } from './attic';
import { PHONE } from './browser';
import { buyAt, until } from './serverProcess';
import { startTestServer, type TestServer } from './testServer';
import { itemsReady } from './world';

const DESCRIPTION = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow.';
const shared = { description: DESCRIPTION, price: 4_800, postage: 490 };
const BOOK = 'Seabirds of the Northern Coasts';
const ELSEWHERE = 'Field guide that sells elsewhere';

/** Nothing of these is in the attic: somebody put them up by hand. */
const at: TestServer = startTestServer({
  world: () =>
    itemsReady(
      [
        {
          part: {
            kind: 'book',
            title: BOOK,
            description: 'Cloth boards a little sunned, plates all present.',
            use: 'regular',
            cost: 100,
            price: 900,
            weightG: 480,
            facts: { model: BOOK, author: 'E. Farrowdale', brand: 'Drumlin Press', barcode: '2000000002415' },
            spot: 'Box 2',
          },
          markets: ['quirestack'],
        },
        {
          part: {
            kind: 'book',
            title: ELSEWHERE,
            description: DESCRIPTION,
            use: 'regular',
            cost: 100,
            price: 1_100,
            weightG: 480,
            facts: {
              model: ELSEWHERE,
              author: 'E. Farrowdale',
              brand: 'Drumlin Press',
              barcode: '2000000000046',
            },
            spot: 'Box 3',
          },
          markets: ['lanternyard'],
        },
      ],
      [
        {
          market: 'brackenmoor',
          ref: 'spring-12',
          draft: {
            ...shared,
            title: 'Kittiwake Mills gansey jumper, navy wool, M',
            description: `${DESCRIPTION}\nVisit my other items! Thank you for looking.`,
            category: 'wear.knit',
            condition: 'sound',
            specifics: {
              brand: 'Kittiwake Mills',
              department: 'Men',
              size: 'M',
              colour: 'Blue',
              material: 'Wool',
            },
          },
        },
        {
          market: 'lanternyard',
          ref: 'window-3',
          draft: {
            ...shared,
            title: 'Gansey jumper, Kittiwake Mills, navy',
            price: 4_600,
            category: 'shop',
            condition: 'good',
          },
        },
        {
          market: 'lanternyard',
          ref: 'window-4',
          draft: {
            ...shared,
            title: 'Brass ship’s lantern',
            price: 6_000,
            category: 'shop',
            condition: 'good',
          },
        },
      ],
    ),
});

it('finds what was listed by hand, makes one item of it, closes it everywhere when it sells', async () => {
  const attic = await Attic.open(at, PHONE);
  await until('somebody has put it all up', async () =>
    (await (await fetch(`${at.server.address}/outside/lanternyard/`)).text()).includes('Brass ship'),
  );
  await attic.visit('/bring-in');
  await attic.press('Look what is listed');
  await attic.sees('1 of 1 not looked after yet');
  await attic.sees('2 not looked after yet');
  await attic.sees('Thought to be one item');
  // What belongs to another shop is left out, and what is copied is a choice.
  const TITLE = 'Kittiwake Mills gansey jumper, navy wool, M';
  await attic.press(`What is copied of ${TITLE}`);
  await attic.sees('Leave it open');
  expect(await attic.text()).not.toContain('other items');
  await attic.press('Don’t copy Material');
  await attic.press(`Bring in ${TITLE}`);
  await attic.sees('Brought in');
  // The lantern is an item of its own and still waits.
  await attic.sees('Brass ship’s lantern');

  await attic.openItem(TITLE);
  await attic.sees('Kittiwake Mills');
  await attic.waitForSign('Brackenmoor: live');
  await attic.waitForSign('Lanternyard: live');
  await until('both pictures are there', async () => (await attic.page.$$('[data-picture]')).length === 2);

  // One of its pictures there, fetched for another item by its address.
  const page = await attic.publicPage('Brackenmoor');
  const shown = /<img[^>]+src="([^"]+)"/u.exec(await (await fetch(page)).text())?.[1] ?? '';
  attic.taps = 0;
  await attic.go('Intake');
  await attic.press('From an address');
  await attic.fill('Address of the picture', `${at.server.address}/api/session`);
  await attic.press('Fetch it');
  await attic.sees('nothing is fetched from there');
  await attic.fill('Address of the picture', new URL(shown, page).href);
  await attic.press('Fetch it');
  await attic.sees('Saved, 1 picture');
  expect(attic.taps).toBeLessThanOrEqual(6);

  // Somebody buys it at Brackenmoor: it leaves the shop as well.
  await fetch(`${page}/buy`, { method: 'POST', redirect: 'manual' });
  await until('it is gone from the shop', async () => {
    const shop = await (await fetch(`${at.server.address}/outside/lanternyard/g/window-3`)).text();
    return shop.includes('No longer in the shop');
  });
  await attic.go('Today');
  await attic.sees('Gone everywhere in');
});

it('says what can’t be asked, and goes on with the others', async () => {
  await at.server.switchboard('lanternyard', { outageMinutes: 5 });
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/bring-in');
  await attic.press('Look what is listed');
  await attic.sees('It is closed just now');
  await attic.sees('nothing listed');
  await at.server.switchboard('lanternyard', { outageMinutes: 0 });
});

it('keeps an item at a marketplace’s depot, and says what was missing', async () => {
  const attic = await Attic.open(at, PHONE);
  await at.server.switchboard('quirestack', { reviewTime: 400, parcelShort: true });
  await attic.visit('/depot?market=quirestack');
  const parcel = async () => {
    await attic.press(BOOK);
    await attic.press('Announce a parcel of one item');
    await attic.sees('Write P');
  };
  const counted = (words: string) =>
    until(`“${words}”`, async () => {
      await attic.press('Ask again');
      return (await attic.text()).includes(words);
    });
  await parcel();
  await counted('was not in parcel');
  await attic.press('YA-0001 is here after all');
  await at.server.switchboard('quirestack', { parcelShort: false });
  await parcel();
  await counted('1 of 1 arrived');
  await attic.sees('not offered');
  await attic.sees('1 kept there, 0 posted to buyers.');
  await attic.sees('It agrees with what is known here.');
  await attic.press('Offer it from there');
  await attic.sees('offered from there');
  await attic.openItem(BOOK);
  await attic.waitForSign('Quirestack: live');
  const page = await attic.publicPage('Quirestack');
  expect(await (await fetch(page)).text()).toContain('posted by us, nothing on top');
  await fetch(`${page}/order`, { method: 'POST', redirect: 'manual' });
  await attic.waitForSign('Quirestack: sold');
  await attic.visit('/depot?market=quirestack');
  await attic.sees('0 kept there, 1 posted to buyers.');
  await attic.go('Today');
  await attic.sees('Quirestack posts it from its depot');
  await attic.visit('/depot?market=quirestack');
  await attic.sees('It agrees with what is known here.');
});

it('calls back from the depot what sells elsewhere', async () => {
  const attic = await Attic.open(at, PHONE);
  const toTheDepot = () => attic.visit('/depot?market=quirestack');
  await toTheDepot();
  await attic.press(ELSEWHERE);
  await attic.press('Announce a parcel of one item');
  await attic.sees('Write P');
  await until('it is counted', async () => {
    await attic.press('Ask again');
    return (await attic.text()).includes('not offered');
  });
  await attic.openItem(ELSEWHERE);
  await attic.press('Send to Lanternyard');
  await attic.waitForSign('Lanternyard: live');
  await buyAt(await attic.publicPage('Lanternyard'));
  await attic.waitForSign('Lanternyard: sold');
  // There is nothing to fetch before it is here.
  await attic.go('Today');
  await attic.sees('Quirestack’s depot');
  await attic.visit('/packing');
  await attic.press(`Call ${ELSEWHERE} back`);
  await attic.sees('On its way back from Quirestack');
  await toTheDepot();
  await attic.sees('On their way back');
  await attic.sees('It agrees with what is known here.');
  await attic.go('Today');
  await attic.press(`${ELSEWHERE} is here`);
  await attic.sees('No spot recorded');
  await attic.press('Picked and packed');
  expect(attic.complaints).toEqual([]);
  await attic.page.close();
});

it('gives buyers in the own shop a word that takes something off', async () => {
  const attic = await Attic.open(at, PHONE);
  await attic.visit('/connections');
  await attic.press('Coupons of Lanternyard');
  await attic.sees('There are none.');
  await attic.fill('Coupon code', 'harbour10');
  await attic.press('Make the coupon');
  await attic.sees('HARBOUR10: 10 % off');
  const lantern = `${at.server.address}/outside/lanternyard/g/window-4`;
  const put = await fetch(`${lantern}/basket`, {
    method: 'POST',
    body: new URLSearchParams({ basket: '' }),
    redirect: 'manual',
  });
  const basket = `${at.server.address}${put.headers.get('location')}`;
  await fetch(`${basket}/coupon`, {
    method: 'POST',
    body: new URLSearchParams({ code: 'Harbour10' }),
    redirect: 'manual',
  });
  expect(await (await fetch(basket)).text()).toContain('54.00 €');
  await attic.press('End HARBOUR10');
  await attic.sees('There are none.');
  expect(await (await fetch(basket)).text()).toContain('We know no such coupon.');
});
