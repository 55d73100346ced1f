import { createCanvas, type Canvas } from '@napi-rs/canvas';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { holdingsFile, readHoldings } from './holdings';
import { seen } from './seeing/look';
import { outlineOf } from './seeing/outline';
import { twinpane } from './service';
import { soldOf } from './sold';
import { RED } from '../../../demo/draw/dyes';
import { brimmed } from '../../../demo/draw/garments';
import { photograph } from '../../../demo/draw/studio';
import { likenessDesk, findsOf } from '../../lookup/likenessDesk';
import type { ServiceApp } from '../kit/page';
import { Store } from '../kit/store';

const TOKEN = 'a-token-of-the-seller';
const FILE = 'assets/twinpane.bin';
let store: Store;
let app: ServiceApp;

beforeEach(async () => {
  store = await Store.open(join(mkdtempSync(join(tmpdir(), 'attic-panes-')), 'panes.db'));
  const hook = { url: '', secret: '' };
  ({ app } = twinpane({ store, token: TOKEN, base: '/outside/twinpane', hook }));
});
afterEach(() => store.close());

const jpeg = (canvas: Canvas) => Uint8Array.from(canvas.toBuffer('image/jpeg', 80));
/** A red felt hat, as nobody has photographed it before. */
const hat = () =>
  photograph({ ...brimmed(RED), floor: 'linen' }, { name: 'front', tilt: 9, zoom: 0.8 }, 4_711, 320);
const bring = (body: Uint8Array<ArrayBuffer>, token = TOKEN) =>
  app.request('/desk/alike', {
    method: 'POST',
    headers: { authorization: `Bearer ${token}`, 'content-type': 'image/jpeg' },
    body,
  });

describe('the likeness desk', () => {
  it('tells what was sold before that looks so, with price, day, place and its own picture', async () => {
    const answer = await bring(jpeg(hat()));
    expect(answer.status).toBe(200);
    const finds = findsOf(await answer.json());
    expect(finds.length).toBeGreaterThan(4);
    expect(finds[0]).toMatchObject({ sort: ['hat'], maker: expect.stringMatching(/Yard|Tarn/u) });
    expect(finds[0]!.score).toBeGreaterThan(60);
    expect(finds.map(({ score }) => score)).toEqual(finds.map(({ score }) => score).sort((a, b) => b - a));
    for (const { price, listedAt, soldAt } of finds) {
      expect(price.amount).toBeGreaterThan(0);
      expect(listedAt).toBeLessThan(soldAt);
      expect(soldAt).toBeLessThan(Date.now());
    }
    const pane = await app.request(`/panes/picture/${finds[0]!.picture}`);
    expect(pane.headers.get('content-type')).toBe('image/jpeg');
  });

  it('says so when it never had anything like it', async () => {
    const canvas = createCanvas(320, 240);
    const pen = canvas.getContext('2d');
    pen.fillStyle = '#d8d0c0';
    pen.fillRect(0, 0, 320, 240);
    pen.strokeStyle = '#203080';
    pen.lineWidth = 14;
    pen.beginPath();
    // A star of wire: of nothing it has.
    for (let i = 0; i < 11; i += 1)
      pen.lineTo(160 + 100 * Math.cos((i * 4 * Math.PI) / 11), 120 + 100 * Math.sin((i * 4 * Math.PI) / 11));
    pen.closePath();
    pen.stroke();
    expect(await (await bring(jpeg(canvas))).json()).toEqual({ alike: [] });
  });

  it.each([
    ['what is no picture', new TextEncoder().encode('<script>') as Uint8Array<ArrayBuffer>],
    ['one that is too large', jpeg(createCanvas(900, 40))],
    ['one that breaks off', jpeg(hat()).slice(0, 700)],
  ])('turns away %s', async (_, bytes) => {
    const answer = await bring(bytes);
    expect(answer.status).toBe(400);
    expect(await answer.json()).toHaveProperty('sorry');
  });

  it('knows whom it answers, has a pace, and is closed on bad days', async () => {
    expect((await bring(jpeg(hat()), 'another')).status).toBe(401);
    const many = await Promise.all(Array.from({ length: 14 }, () => bring(jpeg(hat()))));
    expect(many.filter(({ status }) => status === 429)).toHaveLength(2);
    expect(many.find(({ status }) => status === 429)?.headers.get('retry-after')).toBe('3');
    await app.request('/switchboard', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ outageMinutes: 1 }),
    });
    expect((await bring(jpeg(hat()))).status).toBe(503);
  });

  it('has a file that is what it writes, and says the same of it every day', () => {
    const holdings = readHoldings(FILE);
    expect(holdings.looks.length).toBeGreaterThan(100);
    expect(new Set(holdings.looks.map(({ design }) => design)).size).toBe(holdings.centres.length);
    expect(Buffer.compare(holdingsFile(holdings), readFileSync(FILE))).toBe(0);
    const [look] = holdings.looks;
    expect(soldOf(look!, 0)).toEqual(soldOf(look!, 0));
    for (const { cents } of soldOf(look!, 0)) {
      expect(cents).toBeGreaterThanOrEqual(look!.cents[0] - 25);
      expect(cents).toBeLessThanOrEqual(look!.cents[1] + 25);
    }
  });
});

describe('its eyes', () => {
  // CIE 15 and IEC 61966-2-1: sRGB's red is L* 53.24, a* 80.09, b* 67.20 for D65; from memory.
  it('see colours as CIELAB has them', () => {
    const { l, a, b } = seen({ width: 1, height: 1, data: Uint8Array.of(255, 0, 0, 255) });
    expect(l[0]).toBeCloseTo(53.24, 0);
    expect(a[0]).toBeCloseTo(80.09, 0);
    expect(b[0]).toBeCloseTo(67.2, 0);
  });

  it('tell a thing from a floor that light falls across', () => {
    const [width, height] = [120, 90];
    const data = new Uint8Array(width * height * 4);
    const isThing = (x: number, y: number) => x > 40 && x < 80 && y > 20 && y < 70;
    for (let y = 0, at = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, at += 4)
        data.set(isThing(x, y) ? [120, 40, 50, 255] : [150 + x / 2, 140 + x / 2, 120 + x / 2, 255], at);
    const mask = outlineOf(seen({ width, height, data }));
    let wrong = 0;
    for (let y = 0, p = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, p += 1) if (mask[p] !== Number(isThing(x, y))) wrong += 1;
    expect(wrong / mask.length).toBeLessThan(0.02);
  });
});

describe('what the desk sends', () => {
  const sold = {
    no: '1',
    words: 'x'.repeat(900),
    by: 'Ostler',
    under: ['hat'],
    place: 'brackenmoor',
    went: { cents: 1_200, currency: 'EUR' },
    up: '2026-10-01T00:00:00.000Z',
    gone: '2026-10-09T00:00:00.000Z',
    score: 80,
  };

  it('is cut where it is too long; one that can’t be read does not cost the others', () => {
    const finds = findsOf({
      alike: [
        { ...sold, score: 60 },
        { ...sold, went: { cents: -1, currency: 'EUR' } },
        'no',
        { ...sold, no: '2' },
      ],
    });
    expect(finds.map(({ id }) => id)).toEqual(['2', '1']);
    expect(finds[0]!.title).toHaveLength(400);
  });

  it.each([[null], [{ alike: 'many' }], [[]]])('that is no answer at all counts as none: %j', (body) =>
    expect(() => findsOf(body)).toThrow(),
  );

  it('is asked over HTTP like all outside, and what it can’t make out is told so', async () => {
    const before = globalThis.fetch;
    globalThis.fetch = ((address: string, init: RequestInit) =>
      app.request(new URL(address).pathname, init)) as typeof fetch;
    try {
      const desk = likenessDesk({ address: 'http://desk', token: () => TOKEN });
      expect((await desk.ask(jpeg(hat())))?.[0]?.sort).toEqual(['hat']);
      expect(await desk.ask(Uint8Array.of(1, 2, 3))).toBeNull();
      await expect(
        likenessDesk({ address: 'http://desk', token: () => 'another' }).ask(jpeg(hat())),
      ).rejects.toMatchObject({ trouble: { code: 'keyRefused' } });
    } finally {
      globalThis.fetch = before;
    }
  });
});
