import fc from 'fast-check';
import { html } from 'hono/html';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { PDFDocument } from 'pdf-lib';

import type { Conversation } from './conversation';
import { buyerOf, serveOrders, paidOrder, type PaidOrder, type StatementStyle } from './orders';
import { pagesOf, type ServiceApp } from './page';
import { frame } from './service';
import { Store } from './store';
import { serveTalks } from './talks';
import { trackingNumber } from '../pennant/number';
import { pennant } from '../pennant/service';

const TOKEN = 'a-token-of-the-seller';
const STYLE: StatementStyle = {
  separator: ';',
  decimal: ',',
  columns: { order: 'Auftrag', sort: 'Art', amount: 'Betrag', day: 'Tag' },
  sorts: { sale: 'S', postage: 'P', fee: 'F', back: 'B', feeBack: 'FB', payout: 'X' },
};
let store: Store;
let app: ServiceApp;
let paid: { ref: string; cents: number }[];
let open: boolean;

beforeEach(async () => {
  store = await Store.open(join(mkdtempSync(join(tmpdir(), 'attic-desk-')), 'desk.db'));
  paid = [];
  open = true;
  const made = frame({
    name: 'Somewhere',
    opening: { store, token: TOKEN, base: '/outside/somewhere' },
    seller: '/v1',
  });
  app = made.app;
  serveOrders(made, { at: '/v1/orders', style: STYLE });
  serveTalks(made, {
    pages: pagesOf({ ground: '', ink: '', accent: '', face: '' }, html``, { heading: 'Closed' }),
    at: '/v1/letters',
    about: async (id) =>
      id === 'gone' ? null : { ref: `ref-${id}`, what: '<b>Gansey</b>', seen: `/p/${id}`, open },
    offers: {
      pay: async (ref, cents) => {
        paid.push({ ref, cents });
        return open;
      },
    },
  });
});
afterEach(() => store.close());

const asSeller = async (path: string, body?: unknown, method = body === undefined ? 'GET' : 'POST') => {
  const answer = await app.request(path, {
    method,
    headers: { authorization: `Bearer ${TOKEN}`, 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  return {
    status: answer.status,
    body: (await answer.json()) as Record<string, never> & { message?: string },
  };
};
const asBuyer = (path: string, form: Record<string, string> = {}) =>
  app.request(path, { method: 'POST', body: new URLSearchParams(form) });

const buy = async (no: string, part: Partial<PaidOrder> = {}) => {
  const order = paidOrder({
    no,
    ref: `r-${no}`,
    what: 'Gansey',
    cents: 4_800,
    postCents: 390,
    feeCents: 600,
    at: Date.parse('2026-11-20T10:00:00Z'),
  });
  await store.write([{ ...order, body: { ...order.body, ...part } }]);
};
const act = (no: string, what: string, body: object = {}) => asSeller(`/v1/orders/${no}/${what}`, body);

describe('orders', () => {
  it('are told to the seller alone', async () => {
    await buy('B-1');
    expect((await app.request('/v1/orders/B-1')).status).toBe(401);
    expect((await asSeller('/v1/orders/B-1')).body).toMatchObject({ state: 'paid', buyer: buyerOf('B-1') });
    expect((await asSeller('/v1/orders/B-9')).status).toBe(404);
  });

  it('the same order has the same buyer, and others have others', () => {
    expect(buyerOf('B-1')).toEqual(buyerOf('B-1'));
    const zones = new Set(Array.from({ length: 200 }, (_, i) => buyerOf(`B-${i}`).zone));
    expect([...zones].sort()).toEqual(['far', 'inland', 'near']);
  });

  it('cancelled before they were posted: all of the money back, the fee too; twice is once', async () => {
    await buy('B-1');
    const first = await act('B-1', 'cancel', { why: 'It broke.' });
    expect(first.body).toMatchObject({
      state: 'cancelled',
      backCents: 5_190,
      feeBackCents: 600,
      why: 'It broke.',
    });
    expect((await act('B-1', 'cancel', { why: 'again' })).body).toEqual(first.body);
    expect(await act('B-1', 'posted')).toEqual({ status: 409, body: { message: 'That order is over.' } });
  });

  it('posted, they can’t be cancelled, only given back', async () => {
    await buy('B-1');
    expect((await act('B-1', 'give-back', { cents: 100 })).body.message).toBe(
      'It was not posted; cancel it.',
    );
    await act('B-1', 'posted', { carrier: 'Pennant', tracking: 'PN1' });
    expect((await act('B-1', 'cancel')).body.message).toBe('It was posted already.');
    for (const cents of [0, -1, 5_191, 1.5, 'all'])
      expect((await act('B-1', 'give-back', { cents })).body.message).toBe(
        'Between 1 and 5190 can be given back.',
      );
    expect((await act('B-1', 'give-back', { cents: 2_400 })).body).toMatchObject({
      state: 'given back',
      feeBackCents: 300,
    });
    expect((await act('B-1', 'give-back', { cents: 2_400 })).status).toBe(200);
    expect((await act('B-1', 'give-back', { cents: 2_401 })).body.message).toBe(
      'Something was given back already.',
    );
  });

  it('no more of a fee comes back than was taken, whatever is given back', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 5_190 }),
        fc.integer({ min: 0, max: 4_800 }),
        async (cents, feeCents) => {
          await buy('B-1', { state: 'posted', feeCents });
          const { feeBackCents } = (await act('B-1', 'give-back', { cents })).body as unknown as PaidOrder;
          expect(feeBackCents).toBeGreaterThanOrEqual(0);
          expect(feeBackCents).toBeLessThanOrEqual(feeCents);
          if (cents >= 4_800) expect(feeBackCents).toBe(feeCents);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('statements', () => {
  const lines = async () => {
    const { statement } = (await asSeller('/v1/orders-statement')).body as unknown as { statement: string };
    const rows = Papa.parse<string[]>(statement.trim(), { delimiter: ';' }).data;
    return rows.slice(1).map(([, sort, order, amount]) => [sort, order, Number(amount?.replace(',', '.'))]);
  };
  const sum = (all: unknown[][]) => all.reduce((n, [, , amount]) => n + Math.round(Number(amount) * 100), 0);

  it('are written with the marketplace’s own columns, words and signs', async () => {
    await buy('B-1');
    const { statement } = (await asSeller('/v1/orders-statement')).body as unknown as { statement: string };
    expect(statement).toBe(
      [
        'Tag;Art;Auftrag;Betrag',
        '2026-11-20;S;B-1;48,00',
        '2026-11-20;P;B-1;3,90',
        '2026-11-20;F;B-1;-6,00',
        '',
      ].join('\r\n'),
    );
  });

  it('what was not posted is not paid out; what was, is paid out once, to the cent', async () => {
    await buy('B-1');
    await buy('B-2');
    expect((await lines()).filter(([sort]) => sort === 'X')).toEqual([]);
    await act('B-1', 'posted');
    const once = await lines();
    expect(once.filter(([sort]) => sort === 'X')).toEqual([['X', 'P1', -45.9]]);
    expect(await lines()).toEqual(once);
    await act('B-2', 'posted');
    const all = await lines();
    expect(all.filter(([sort]) => sort === 'X')).toHaveLength(2);
    expect(sum(all)).toBe(0);
  });

  it('what is given back after a payout is taken off the next one', async () => {
    await buy('B-1');
    await act('B-1', 'posted');
    await lines();
    await act('B-1', 'give-back', { cents: 4_800 });
    await buy('B-2', { cents: 10_000, postCents: 0, feeCents: 0 });
    await act('B-2', 'posted');
    const all = await lines();
    expect(sum(all)).toBe(0);
    // 45.90 were paid out; 48.00 went back and 6.00 of fees came, so 4.20 less of the next 100.00.
    expect(all.filter(([sort]) => sort === 'X').map(([, , amount]) => amount)).toEqual([-45.9, -58]);
  });

  it('on a bad day half a euro more is taken than was told', async () => {
    await buy('B-1');
    await app.request('/switchboard', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"feesWrong":true}',
    });
    expect((await lines()).find(([sort]) => sort === 'F')).toEqual(['F', 'B-1', -6.5]);
  });
});

describe('conversations', () => {
  const talks = async () =>
    ((await asSeller('/v1/letters')).body as unknown as { talks: Conversation[] }).talks;
  const begin = async (form: Record<string, string>) => {
    const answer = await asBuyer('/talk-about/1', { who: 'Wilma', words: '', euros: '', ...form });
    return answer.headers.get('location')?.replace('/outside/somewhere', '') ?? '';
  };
  const way = (talk: string, what: string) => talk.replace('?', `/${what}?`);
  const offer = async () => (await talks())[0]!.offers.at(-1)!;
  const answer = async (body: object, id?: string) =>
    asSeller(`/v1/letters/${(await talks())[0]!.id}/offers/${id ?? (await offer()).id}`, body);

  it('are begun by somebody with a name and something to say, about what is there', async () => {
    const poor: [string, Record<string, string>][] = [
      ['1', { who: ' ', words: 'Hello' }],
      ['1', { who: 'Wilma', words: ' ', euros: '' }],
      ['1', { who: 'Wilma', euros: '-3' }],
      ['gone', { who: 'Wilma', words: 'Hello' }],
    ];
    for (const [about, form] of poor)
      expect((await asBuyer(`/talk-about/${about}`, { words: '', euros: '', ...form })).status).toBe(422);
    open = false;
    expect((await asBuyer('/talk-about/1', { who: 'Wilma', words: 'Hello' })).status).toBe(422);
    expect(await talks()).toEqual([]);
  });

  it('are the buyer’s alone, and the way in is not told to anybody', async () => {
    const talk = await begin({ words: '<script>alert(1)</script>' });
    expect((await app.request(talk.replace(/key=.*/u, 'key=0'))).status).toBe(404);
    const page = await (await app.request(talk)).text();
    expect(page).toContain('&lt;script&gt;');
    expect(page).not.toContain('<script>');
    expect(JSON.stringify(await talks())).not.toContain(talk.split('key=')[1]);
  });

  it('the same answer right after is the same one, sent again', async () => {
    await begin({ words: 'Is it still here?' });
    const { id } = (await talks())[0]!;
    await asSeller(`/v1/letters/${id}/lines`, { words: 'Yes.' });
    await asSeller(`/v1/letters/${id}/lines`, { words: 'Yes.' });
    await asSeller(`/v1/letters/${id}/lines`, { words: 'Since Monday.' });
    expect((await talks())[0]!.lines.map((l) => l.words)).toEqual([
      'Is it still here?',
      'Yes.',
      'Since Monday.',
    ]);
    expect((await asSeller(`/v1/letters/${id}/lines`, { words: ' ' })).status).toBe(409);
    expect((await asSeller('/v1/letters/none/lines', { words: 'x' })).status).toBe(404);
  });

  it('an offer that was taken can be paid, once the seller took it, for just that', async () => {
    const talk = await begin({ euros: '40,50' });
    await asBuyer(way(talk, 'pay'));
    expect(paid).toEqual([]);
    await answer({ answer: 'accept' });
    await asBuyer(way(talk, 'pay'));
    await asBuyer(way(talk, 'pay'));
    expect(paid).toEqual([{ ref: 'ref-1', cents: 4_050 }]);
    expect((await offer()).state).toBe('paid');
  });

  it('one that was taken too late is over', async () => {
    const talk = await begin({ euros: '40' });
    await answer({ answer: 'accept' });
    open = false;
    await asBuyer(way(talk, 'pay'));
    expect((await offer()).state).toBe('over');
  });

  it('a counter asks for more, and the buyer may agree to it', async () => {
    const talk = await begin({ euros: '40' });
    expect((await answer({ answer: 'counter', cents: 4_000 })).body.message).toBe(
      'A counter is more than was offered.',
    );
    await answer({ answer: 'counter', cents: 4_400 });
    expect(await offer()).toMatchObject({ state: 'countered', counterCents: 4_400 });
    await asBuyer(way(talk, 'agree'));
    await asBuyer(way(talk, 'pay'));
    expect(paid).toEqual([{ ref: 'ref-1', cents: 4_400 }]);
  });

  it('is answered once; the same answer again is no other', async () => {
    await begin({ euros: '40' });
    expect((await answer({ answer: 'perhaps' })).body.message).toBe('Accept, refuse or counter.');
    expect((await answer({ answer: 'refuse' })).status).toBe(200);
    expect((await answer({ answer: 'refuse' })).status).toBe(200);
    expect((await answer({ answer: 'accept' })).body.message).toBe('It was answered already.');
    expect((await answer({ answer: 'accept' }, 'older')).body.message).toBe(
      'There is a newer offer, or none.',
    );
  });

  it('nobody gets in while the service is out', async () => {
    const talk = await begin({ words: 'Hello' });
    await app.request('/switchboard', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"outageMinutes":5}',
    });
    expect((await app.request(talk)).status).toBe(503);
    expect((await asBuyer(way(talk, 'say'), { words: 'Hello?' })).status).toBe(503);
    expect((await asBuyer('/talk-about/1', { who: 'Odo', words: 'Hello' })).status).toBe(503);
    expect((await app.request('/v1/letters', { headers: { authorization: `Bearer ${TOKEN}` } })).status).toBe(
      503,
    );
  });
});

describe('the carrier', () => {
  const TO = { name: 'Ada Harrow', lines: ['Mill Bank 4', '4410 Saltreach'] };
  let post: ServiceApp;
  beforeEach(() => {
    post = pennant({ store, token: TOKEN, base: '', hook: { url: '', secret: '' } }).app;
  });
  const order = async (key: string, part: object = {}) => {
    const answer = await post.request('/post/labels', {
      method: 'POST',
      headers: { authorization: `Bearer ${TOKEN}`, 'idempotency-key': key },
      body: JSON.stringify({ grams: 820, sides: null, destination: 'inland', to: TO, from: 'Me', ...part }),
    });
    return {
      status: answer.status,
      body: (await answer.json()) as { number: string; cents: number; label: string; message?: string },
    };
  };

  it('numbers parcels as UPU S10 says', () => {
    // The worked example of UPU standard S10 as usually printed: serial 47312482, check digit 9 (from
    // memory).
    expect(trackingNumber(47_312_482)).toBe('PN473124829QZ');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999_999 }), (serial) => {
        const digits = [...trackingNumber(serial).slice(2, 11)].map(Number);
        const sum = [8, 6, 4, 2, 3, 5, 9, 7].reduce((n, w, i) => n + w * digits[i]!, 0);
        // 11 less the remainder; 10 is written 0, and 11 is written 5.
        expect([11 - (sum % 11)].map((x) => (x === 10 ? 0 : x === 11 ? 5 : x))[0]).toBe(digits[8]);
      }),
    );
  });

  it('the same key again gives the same label, and nothing is paid twice', async () => {
    const first = await order('order-0001');
    expect(first.status).toBe(201);
    expect(first.body.cents).toBe(420);
    const again = await order('order-0001', { grams: 9_000 });
    expect(again).toEqual({ status: 200, body: first.body });
    expect((await order('order-0002')).body.number).not.toBe(first.body.number);
  });

  it.each([
    [{ grams: 250 }, 290],
    [{ grams: 251 }, 420],
    // 60 × 40 × 30 cm are 14.4 kg by room, however light it is.
    [{ grams: 500, sides: [600, 400, 300] }, 1_900],
    [{ grams: 820, destination: 'far' }, 1_890],
  ])('asks by weight, room and destination: %o', async (part, cents) => {
    expect((await order('order-0003', part)).body.cents).toBe(cents);
  });

  it.each([
    [{ sides: [1_300, 100, 100] }, 'It is too long for us.'],
    [{ sides: [1_100, 600, 500] }, 'Length and girth are too much for us.'],
    [{ grams: 31_501 }, 'It is too heavy for us.'],
    [{ destination: 'moon' }, 'We do not go there.'],
    [{ to: { name: ' ', lines: ['x'] } }, 'The address is not complete.'],
    [{ grams: 0 }, 'We can’t read that.'],
    [{ sides: [1, 2] }, 'We can’t read that.'],
  ])('refuses what it can’t carry: %o', async (part, why) => {
    expect((await order('order-0004', part)).body.message).toBe(why);
  });

  it('prints a label for any name and address, also with letters its font has not', async () => {
    const { body } = await order('order-0005', { to: { name: 'Żofia 日本', lines: ['\u0000', '<b>'] } });
    const pdf = await PDFDocument.load(Buffer.from(body.label, 'base64'));
    const { width, height } = pdf.getPage(0).getSize();
    // 100 by 150 mm, in points of 1/72 inch.
    expect([Math.round((width / 72) * 25.4), Math.round((height / 72) * 25.4)]).toEqual([100, 150]);
  });

  it('a parcel is announced, handed in once, and there after two days', async () => {
    const { number } = (await order('order-0006')).body;
    const ask = async (path = '', method = 'GET') =>
      (await (
        await post.request(`/post/parcels/${number}${path}`, {
          method,
          headers: { authorization: `Bearer ${TOKEN}` },
        })
      ).json()) as { state: string; at: number | null };
    expect((await ask()).state).toBe('announced');
    const first = await ask('/handed', 'POST');
    expect(first.state).toBe('on its way');
    expect((await ask('/handed', 'POST')).at).toBe(first.at);
    await post.request('/switchboard', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"dayLasts":100}',
    });
    await new Promise((done) => setTimeout(done, 260));
    expect((await ask()).state).toBe('delivered');
  });
});
