import { Bustle, bustlePage, isPace } from './bustle';
import { DEEDS, type Done } from './buyer';

/** A marketplace whose listings offer all there is, as far as they are not sold. */
function market() {
  const sold = new Set<string>();
  const posted: [string, string][] = [];
  const front = (n: number) =>
    `<main>${Array.from({ length: n }, (_, i) => `<a href="/outside/moor/item/${i}"\n><img /></a>`).join('')}
      <a href="/outside/moor/section/x">x</a></main>`;
  const item = (path: string) =>
    `<a href="/outside/moor/">Moor</a><main><span class="price">48.00 €</span>${
      sold.has(path)
        ? ''
        : ['/bid', '/buy'].map((way) => `<form method="post" action="${path}${way}">`).join('') +
          '<form method="post" action="/outside/moor/talk-about/1">'
    }</main>`;
  const ask = async (path: string, init?: RequestInit): Promise<Response> => {
    if (init?.method === 'POST') {
      posted.push([path, String(init.body ?? '')]);
      if (path.endsWith('/buy')) sold.add(path.slice(0, -4));
      return new Response(null, { status: 303, headers: { location: path.replace(/\/buy$/u, '') } });
    }
    if (path === '/outside/moor/') return new Response(front(20));
    return /\/item\/\d+$/u.test(path) ? new Response(item(path)) : new Response('', { status: 404 });
  };
  return { ask, posted, sold };
}

const open = (there: ReturnType<typeof market>, seed = 7, onFault = () => undefined as void) =>
  new Bustle({ ask: there.ask, base: '/outside', markets: ['moor'], pace: 'off', seed, onFault });

async function comeOften(bustle: Bustle, times: number): Promise<Done[]> {
  const all: Done[] = [];
  for (let i = 0; i < times; i += 1) {
    await bustle.come();
    if (bustle.done[0]) all.push(bustle.done[0]);
  }
  return all;
}

it('buyers do all there is to do, most of them look, and few buy', async () => {
  const there = market();
  const done = await comeOften(open(there), 400);
  const count = (deed: string) => done.filter((d) => d.deed === deed).length;
  expect(DEEDS.filter((deed) => count(deed) === 0)).toEqual([]);
  expect(count('look')).toBeGreaterThan(200);
  expect(count('buy')).toBe(there.sold.size);
  expect(count('buy')).toBeLessThan(40);
  const haggled = there.posted.filter(
    ([path, body]) => path.includes('talk-about') && !body.endsWith('euros='),
  );
  for (const [, body] of haggled) {
    const euros = Number(new URLSearchParams(body).get('euros'));
    expect(euros).toBeGreaterThan(48 * 0.79);
    expect(euros).toBeLessThan(48);
  }
});

it('the same seed brings the same buyers', async () => {
  const [one, again, other] = await Promise.all([5, 5, 6].map((seed) => comeOften(open(market(), seed), 60)));
  expect(one).toEqual(again);
  expect(one).not.toEqual(other);
});

it('goes on after what nobody expected, and nobody buys what is sold', async () => {
  const there = market();
  const faults: unknown[] = [];
  let broken = true;
  const bustle = new Bustle({
    ask: (path, init) => {
      if (broken) throw new Error('gone');
      return there.ask(path, init);
    },
    base: '/outside',
    markets: ['moor'],
    pace: 'off',
    seed: 1,
    onFault: (error) => faults.push(error),
  });
  await bustle.come();
  expect(faults).toHaveLength(1);
  broken = false;
  await comeOften(bustle, 900);
  const bought = there.posted.filter(([path]) => path.endsWith('/buy')).map(([path]) => path);
  expect(new Set(bought).size).toBe(bought.length);
  expect(faults).toHaveLength(1);
});

it('is switched on, to another pace and off at its page, and says what was done lately', async () => {
  jest.useFakeTimers();
  const bustle = open(market());
  const app = bustlePage(bustle);
  const set = (pace: string) => app.request('/', { method: 'POST', body: new URLSearchParams({ pace }) });
  expect(await (await app.request('/')).text()).toContain('Nobody came by yet.');
  expect((await set('rush')).status).toBe(303);
  expect(bustle.pace).toBe('rush');
  await jest.advanceTimersByTimeAsync(9_500);
  expect(bustle.done.length).toBeGreaterThan(5);
  await set('nonsense');
  expect(bustle.pace).toBe('rush');
  await set('off');
  const before = [...bustle.done];
  await jest.advanceTimersByTimeAsync(60_000);
  expect(bustle.done).toEqual(before);
  expect(await (await app.request('/')).text()).toContain('moor: /outside/moor/item/');
  expect(isPace('toString')).toBe(false);
  jest.useRealTimers();
});
