import { createCanvas } from '@napi-rs/canvas';

import { LIKENESS_BYTES } from '@/contract/likeness';

import { api, type ApiParts } from './api';
import { CallFailed } from '../courier/adapter';
import { consoleLog } from '../faults/log';
import type { LikenessDesk } from '../lookup/likenessDesk';

const TOKEN = 'a-token-of-sixteen-signs';
let asked: Uint8Array[] = [];
let desk: LikenessDesk;

beforeEach(() => {
  asked = [];
  desk = {
    ask: async (picture) => {
      asked.push(picture);
      return [];
    },
    picture: async () => new TextEncoder().encode('<script>') as Uint8Array<ArrayBuffer>,
  };
});

const app = () =>
  api({
    likeness: desk,
    port: 1,
    session: () => ({ token: TOKEN, attic: 'a', demo: false, currency: 'EUR', earlierLedger: null }),
    log: consoleLog,
    // The other rooms are not asked anything.
  } as unknown as ApiParts);
const headers = { 'x-attic-session': TOKEN, 'content-type': 'image/jpeg' };
const bring = (body: Uint8Array<ArrayBuffer>) =>
  app().request('/likeness', { method: 'POST', headers, body });
const picture = () => Uint8Array.from(createCanvas(60, 40).toBuffer('image/jpeg'));

it('hands a small picture on, and says that nothing is like it where nothing is', async () => {
  const answer = await bring(picture());
  expect(await answer.json()).toEqual({ finds: [] });
  expect(asked).toHaveLength(1);
});

it('hands nothing on that is no picture, or too large', async () => {
  expect((await bring(new TextEncoder().encode('<html>') as Uint8Array<ArrayBuffer>)).status).toBe(422);
  expect((await bring(new Uint8Array(LIKENESS_BYTES + 1))).status).toBe(413);
  expect(asked).toEqual([]);
});

it.each([
  ['slow down', 429, new CallFailed({ code: 'slowDown', params: {} }, false, 3_000)],
  ['closed', 502, new CallFailed({ code: 'closed', params: {} }, false)],
])('says in words that the desk says “%s”', async (_, status, error) => {
  desk.ask = () => Promise.reject(error);
  const answer = await bring(picture());
  expect(answer.status).toBe(status);
  expect(((await answer.json()) as { error: string }).error).toMatch(/^The likeness desk: \S/u);
});

it('says so where the desk can’t make a picture out', async () => {
  desk.ask = async () => null;
  expect((await bring(picture())).status).toBe(422);
});

it('hands no page on that comes in place of a picture', async () => {
  const answer = await app().request('/likeness/pictures/7', { headers });
  expect(answer.status).toBe(422);
});
