import { api, type ApiParts } from './api';
import type { Adapter } from '../courier/adapter';
import type { Courier } from '../courier/courier';
import { consoleLog } from '../faults/log';

const TOKEN = 'a-token-of-sixteen-signs';
const jpeg = (width: number, height: number) =>
  new Uint8Array([
    0xff,
    0xd8,
    0xff,
    0xe0,
    0,
    4,
    0,
    0,
    0xff,
    0xc0,
    0,
    11,
    8,
    height >> 8,
    height & 255,
    width >> 8,
    width & 255,
    1,
    1,
    0x11,
    0,
    0xff,
    0xd9,
  ]);
const PICTURES: Record<string, Uint8Array<ArrayBuffer>> = {
  fine: jpeg(800, 600),
  bomb: jpeg(65_000, 65_000),
  page: new TextEncoder().encode('<!doctype html><script>alert(1)</script>') as Uint8Array<ArrayBuffer>,
};
const adapter = {
  id: 'moor',
  name: 'Moor',
  picture: async (name: string) => PICTURES[name]!,
} as unknown as Adapter;

const app = api({
  courier: { adapter: () => adapter } as unknown as Courier,
  port: 1,
  session: () => ({ token: TOKEN, attic: 'a', demo: false, currency: 'EUR', earlierLedger: null }),
  log: consoleLog,
} as unknown as ApiParts);
const ask = (name: string) =>
  app.request(`/own/moor/pictures/${name}`, { headers: { 'x-attic-session': TOKEN } });

it('a picture that a marketplace shows is handed on as a picture', async () => {
  const response = await ask('fine');
  expect(response.status).toBe(200);
  expect(response.headers.get('content-type')).toBe('image/jpeg');
});
it.each([
  ['bomb', /megapixels|pixels long/u],
  ['page', /not a picture/u],
])('a %s is turned away before anybody decodes it, in words', async (name, why) => {
  const response = await ask(name);
  expect(response.status).toBe(422);
  expect(((await response.json()) as { error: string }).error).toMatch(why);
});
