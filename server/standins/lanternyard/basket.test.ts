import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { Shelved } from './goods';
import { lanternyard } from './service';
import type { Good } from './validate';
import type { PaidOrder } from '../kit/orders';
import type { Service } from '../kit/service';
import { Store } from '../kit/store';

const BASE = '/outside/lanternyard';
let store: Store;
let shop: Service;

const good = (title: string, part: Partial<Good> = {}): Good => ({
  ...{ title, text: 'Wool.', cents: 4_000, postCents: 500, section: 'shop', condition: 'good', origin: '' },
  ...{ photos: ['p'], search: { title: '', description: '', keywords: [] }, stock: 1 },
  ...part,
});
async function shelve(ref: string, part: Partial<Good> = {}): Promise<void> {
  const body: Shelved = { ref, good: good(`Gansey ${ref}`, part), left: 1, removed: false, at: 1 };
  await store.write([{ sort: 'good', id: ref, body }]);
}

/** A visitor with a browser that keeps its cookies. */
function visitor() {
  let cookie = '';
  const ask = async (path: string, form?: Record<string, string>) => {
    const answer = await shop.app.request(path, {
      method: form ? 'POST' : 'GET',
      // The pages are of an origin of their own: a form brings no cookie that is told to stay at home.
      headers: form ? {} : { cookie },
      ...(form ? { body: new URLSearchParams(form) } : {}),
    });
    cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? cookie;
    return answer;
  };
  const reads = async (path: string) => (await ask(path)).text();
  const puts = async (ref: string) => {
    const basket = /name="basket" value="(\w*)"/u.exec(await reads(`/g/${ref}`))?.[1] ?? '';
    const answer = await ask(`/g/${ref}/basket`, { basket });
    return answer.headers.get('location')?.slice(BASE.length) ?? '';
  };
  return { ask, puts, reads };
}

beforeEach(async () => {
  store = await Store.open(join(mkdtempSync(join(tmpdir(), 'attic-shop-')), 'shop.db'));
  shop = lanternyard({ store, token: 'a-token-of-the-seller', base: BASE, hook: { url: '', secret: '' } });
});
afterEach(() => store.close());
const paid = () => store.all<PaidOrder>('paid');

it('keeps one basket through the shop: several things, a further one cheaper, one taken out', async () => {
  await shelve('a', { furtherCents: 100 });
  await shelve('b', { furtherCents: 100, postCents: 700 });
  await shelve('c');
  const ines = visitor();
  const basket = await ines.puts('a');
  expect(await ines.puts('b')).toBe(basket);
  expect(await ines.puts('c')).toBe(basket);
  expect(await ines.reads('/')).toContain('Your basket (3)');
  await ines.ask(`${basket}/take-out`, { line: '2' });
  const page = await ines.reads(basket);
  // The dearest postage, and what a further piece costs: 7 and 1 euros.
  expect(page).toMatch(/Postage to Marram Coast\D*8\.00/u);
  expect(page).not.toContain('Gansey c');
});

it('sends where its keeper sends: each country by its zone, what does not go there is left out', async () => {
  await shelve('far', {
    abroadCents: [
      { zone: 'near', cents: 900 },
      { zone: 'far', cents: 2_000 },
    ],
  });
  await shelve('home');
  const odo = visitor();
  const basket = await odo.puts('far');
  await odo.puts('home');
  await odo.ask(`${basket}/how`, { country: 'osmark', way: 'card' });
  const page = await odo.reads(basket);
  expect(page).toMatch(/Postage to Osmark\D*9\.00/u);
  expect(page).toMatch(/Gansey home<br \/><b>not sent there, left out/u);
  await odo.ask(`${basket}/checkout`, { name: 'Odo Quill', street: 'Quay 4', town: '344 Vell' });
  expect(await paid()).toMatchObject([
    {
      ref: 'far',
      postCents: 900,
      buyer: { name: 'Odo Quill', lines: ['Quay 4', '344 Vell', 'Osmark'], zone: 'near' },
    },
  ]);
  expect((await store.get<Shelved>('good', 'home'))?.left).toBe(1);
});

it('takes the ways of paying that everything in the basket takes; only cards cost the seller', async () => {
  await shelve('any', { paidBy: ['card', 'transfer', 'cash'] });
  await shelve('two', { paidBy: ['transfer', 'cash'] });
  const tamsin = visitor();
  const basket = await tamsin.puts('any');
  await tamsin.puts('two');
  const page = await tamsin.reads(basket);
  expect(page).not.toContain('value="card"');
  await tamsin.ask(`${basket}/how`, { country: 'home', way: 'cash' });
  await tamsin.ask(`${basket}/checkout`, {});
  expect((await paid()).map((o) => o.feeCents)).toEqual([0, 0]);
});

it('writes the order as a mail that says what was bought, for how much and where it goes', async () => {
  await shelve('a');
  const ines = visitor();
  const basket = await ines.puts('a');
  const thanks = await (
    await ines.ask(`${basket}/checkout`, { name: 'Inès Øst', street: 'Mill Bank 4', town: '4410 Saltreach' })
  ).text();
  const path = /href="[^"]*(\/order\/LY-[0-9a-f]+\.eml)"/u.exec(thanks)?.[1] ?? '';
  const answer = await ines.ask(path);
  expect(answer.headers.get('content-type')).toContain('message/rfc822');
  const mail = await answer.text();
  // RFC 5322: header, an empty line, the text; RFC 2047: names beyond ASCII are encoded.
  const head = mail.slice(0, mail.indexOf('\r\n\r\n'));
  expect(head).toMatch(/^Subject: Your order LY-/mu);
  expect(head).toMatch(/^To: =\?UTF-8\?/mu);
  expect([...head].every((ch) => ch.charCodeAt(0) < 128)).toBe(true);
  for (const words of ['Gansey a', 'Paid by card.', 'Mill Bank 4']) expect(mail).toContain(words);
  expect((await ines.ask('/order/LY-00000000.eml')).status).toBe(404);
});
