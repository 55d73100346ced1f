import { createCanvas } from '@napi-rs/canvas';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';

import { pictureFrom, type PictureFromOptions } from './pictureFrom';

const PICTURE = createCanvas(60, 40).toBuffer('image/jpeg');
let server: Server;
let port: number;
let answer: RequestListener;
const asked: string[] = [];

beforeAll(async () => {
  server = createServer((request, response) => {
    asked.push(request.url ?? '');
    answer(request, response);
  });
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});
beforeEach(() => {
  asked.length = 0;
  answer = (_, response) => response.setHeader('content-type', 'image/jpeg').end(PICTURE);
});

/** The test's own server stands for one of the public internet, under a name. */
const fetchAs = (options: Partial<PictureFromOptions> = {}) =>
  pictureFrom({
    ownOutside: [],
    lookup: async (host) => (host.endsWith('.example') ? [{ address: '127.0.0.1', family: 4 }] : []),
    isAllowed: () => true,
    ...options,
  });
const at = (path: string) => `http://pictures.example:${port}${path}`;
const troubleOf = async (address: string, options: Partial<PictureFromOptions> = {}) => {
  const fetched = await fetchAs(options)(address);
  return fetched.ok ? null : fetched.why.code;
};

it('fetches a picture', async () => {
  const fetched = await fetchAs()(at('/a/jumper%20front.jpg?large'));
  expect(fetched.ok && Buffer.from(fetched.bytes).equals(PICTURE)).toBe(true);
  expect(asked).toEqual(['/a/jumper%20front.jpg?large']);
});

it('asks nobody whose name leads inside, and nobody at an address there', async () => {
  const usual = { ownOutside: [] };
  const inside = pictureFrom({ ...usual, lookup: async () => [{ address: '127.0.0.1', family: 4 }] });
  expect(await inside(at('/a.jpg'))).toMatchObject({ ok: false, why: { code: 'privatePlace' } });
  const one = pictureFrom({
    ...usual,
    lookup: async () => [
      { address: '93.184.216.34', family: 4 },
      { address: 'fd00::1', family: 6 },
    ],
  });
  expect(await one(at('/a.jpg'))).toMatchObject({ ok: false, why: { code: 'privatePlace' } });
  expect(await inside(`http://127.0.0.1:${port}/a.jpg`)).toMatchObject({ why: { code: 'privatePlace' } });
  expect(asked).toEqual([]);
});

it('asks the outside that ships along, and nothing beside it on this machine', async () => {
  const own = `http://127.0.0.1:${port}/outside/`;
  const fetch = pictureFrom({ ownOutside: [own] });
  expect((await fetch(`${own}moor/pictures/1.jpg`)).ok).toBe(true);
  for (const path of ['/api/session', '/outside', '/outside/../api/session', '/outside/%2e%2e/api/session'])
    expect(await fetch(`http://127.0.0.1:${port}${path}`)).toMatchObject({ why: { code: 'privatePlace' } });
  answer = (_, response) => response.writeHead(302, { location: '/api/session' }).end();
  expect(await fetch(`${own}moor/pictures/1.jpg`)).toMatchObject({ why: { code: 'privatePlace' } });
  expect(asked.filter((path) => path.includes('api'))).toEqual([]);
});

it('follows a few moves, each looked at anew, and not for ever', async () => {
  answer = (request, response) =>
    request.url === '/moved'
      ? response.writeHead(301, { location: '/there.jpg' }).end()
      : request.url === '/inside'
        ? response.writeHead(302, { location: 'http://192.168.0.1/a.jpg' }).end()
        : request.url === '/file'
          ? response.writeHead(302, { location: 'file:///etc/passwd' }).end()
          : request.url === '/round'
            ? response.writeHead(302, { location: '/round' }).end()
            : response.end(PICTURE);
  expect((await fetchAs()(at('/moved'))).ok).toBe(true);
  expect(await troubleOf(at('/inside'))).toBe('privatePlace');
  expect(await troubleOf(at('/file'))).toBe('notWeb');
  expect(await troubleOf(at('/round'))).toBe('movedOn');
});

it.each<[string, RequestListener, string]>([
  ['a page', (_, r) => r.setHeader('content-type', 'text/html; charset=utf-8').end('<html>'), 'page'],
  ['no picture', (_, r) => r.setHeader('content-type', 'image/jpeg').end('<script>'), 'notPicture'],
  ['nothing', (_, r) => r.end(), 'empty'],
  ['missing', (_, r) => r.writeHead(404).end(), 'answered'],
  ['too large by its own word', (_, r) => r.writeHead(200, { 'content-length': 21_000_000 }).end(), 'larger'],
  [
    'too large without saying so',
    (_, r) => {
      r.write(PICTURE);
      const more = Buffer.alloc(1_000_000);
      const on = () => {
        while (!r.destroyed) if (!r.write(more)) return void r.once('drain', on);
      };
      on();
    },
    'larger',
  ],
  [
    'broken off',
    (_, r) => r.writeHead(200, { 'content-length': 900 }).end(PICTURE.subarray(0, 90)),
    'noAnswer',
  ],
  [
    'a picture that claims to be enormous',
    (_, r) => {
      const png = Buffer.from(createCanvas(4, 4).toBuffer('image/png'));
      png.writeUInt32BE(29_000, 16);
      png.writeUInt32BE(29_000, 20);
      r.end(png);
    },
    'tooManyPixels',
  ],
])('says of %s what is wrong', async (_, listener, code) => {
  answer = listener;
  expect(await troubleOf(at('/a.jpg'))).toBe(code);
});

it('says that nobody is there, and waits for nobody for ever', async () => {
  expect(await troubleOf('http://nobody.test/a.jpg')).toBe('notFound');
  expect(await troubleOf('http://closed.example:1/a.jpg')).toBe('noAnswer');
  answer = (_, response) => void response.write('x');
  expect(await troubleOf(at('/slow.jpg'), { limit: 300 })).toBe('noAnswer');
});
