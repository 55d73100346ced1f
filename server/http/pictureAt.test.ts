import { api, type ApiParts } from './api';
import { consoleLog } from '../faults/log';
import type { FetchedPicture } from '../lookup/pictureFrom';

const TOKEN = 'a-token-of-sixteen-signs';
let fetched: FetchedPicture;

const wish = (body: string) =>
  api({
    pictureAt: async () => fetched,
    port: 1,
    session: () => ({ token: TOKEN, attic: 'a', demo: false, currency: 'EUR', earlierLedger: null }),
    log: consoleLog,
    // The other rooms are not asked anything.
  } as unknown as ApiParts).request('/picture-at', {
    method: 'POST',
    headers: { 'x-attic-session': TOKEN, 'content-type': 'application/json' },
    body,
  });
const address = (text: string) => JSON.stringify({ address: text });

it('hands a fetched picture on as bytes, never as a page', async () => {
  fetched = { ok: true, bytes: new TextEncoder().encode('<script>') as Uint8Array<ArrayBuffer> };
  const answer = await wish(address('https://a.example/b.jpg'));
  expect([answer.status, answer.headers.get('content-type')]).toEqual([200, 'application/octet-stream']);
});

it('says why there is none', async () => {
  fetched = { ok: false, why: { code: 'page', params: { host: 'a.example' } } };
  const answer = await wish(address('https://a.example/'));
  expect([answer.status, await answer.json()]).toEqual([
    422,
    { error: 'a.example has a page there: take the address of the picture itself.' },
  ]);
  expect((await wish('{}')).status).toBe(400);
  expect((await wish(address('a'.repeat(2_001)))).status).toBe(400);
  expect((await wish(address('a'.repeat(20_000)))).status).toBe(413);
});
