import 'fake-indexeddb/auto';

import { openAttic, setSettings } from '@/store/attic/attic';
import { useFaults } from '@/store/base/faults';

import { ask, command, CourierTrouble, loadSheets, marketName, useCourier, workFor } from './courierLink';
import { listen } from './hearing';

interface Call {
  path: string;
  token: string;
  body: Record<string, unknown> | null;
}
type Reply = { status?: number; body?: unknown } | 'silence';

/** Answers calls one after the other; the last answer stays. @returns the calls made */
function replies(...all: [Reply, ...Reply[]]): Call[] {
  const calls: Call[] = [];
  globalThis.fetch = (async (path: string, init: RequestInit = {}) => {
    const session = path === '/api/session';
    if (!session) {
      const body = typeof init.body === 'string' ? (JSON.parse(init.body) as Call['body']) : null;
      calls.push({ path, token: (init.headers as Record<string, string>)['x-attic-session'] ?? '', body });
    }
    const reply = session
      ? { body: { token: `session-number-${calls.length}`, attic: 'test', demo: false, currency: 'EUR' } }
      : all.length > 1
        ? all.shift()!
        : all[0];
    if (reply === 'silence') throw new TypeError('network');
    const status = reply.status ?? 200;
    return { ok: status < 300, status, json: async () => reply.body };
  }) as unknown as typeof fetch;
  return calls;
}

beforeEach(() => useCourier.setState({ session: { token: 't0' } as never }));

describe('asking', () => {
  it('begins a new session once when the old one is not known any more', async () => {
    const calls = replies({ status: 401 }, { body: { fine: true } });
    expect(await (await ask('/sheets')).json()).toEqual({ fine: true });
    expect(calls.map((c) => c.token)).toEqual(['t0', 'session-number-1']);
  });
  it('does not ask for ever where no session is taken', async () => {
    const calls = replies({ status: 401, body: { error: 'Who are you?' } });
    await expect(ask('/sheets')).rejects.toThrow('Who are you?');
    expect(calls).toHaveLength(2);
  });
  it('says what went wrong in words for a person', async () => {
    replies('silence');
    await expect(ask('/sheets')).rejects.toThrow(
      'The courier can’t be reached. Nothing was sent; try again.',
    );
    replies({ status: 500, body: null });
    const trouble = await ask('/sheets').catch((e: unknown) => e);
    expect(trouble).toBeInstanceOf(CourierTrouble);
    expect(trouble).toMatchObject({ status: 500, message: 'The courier answered with an error (500).' });
  });
});

describe('a command', () => {
  const WISH = { type: 'withdraw', item: 't', market: 'brackenmoor' } as const;
  it('whose answer was lost is given again under the same id, by the same person', async () => {
    await openAttic('linked');
    setSettings({ author: 'Wren' });
    const calls = replies('silence', { status: 503, body: {} }, { body: { accepted: true } });
    const answer = await command(WISH);
    expect(answer.accepted).toBe(true);
    expect(calls).toHaveLength(3);
    expect(new Set(calls.map((c) => c.body?.id)).size).toBe(1);
    expect(calls[0]?.body).toMatchObject({ ...WISH, by: 'Wren', id: answer.id });
  });
  it('is given up after three tries, and not said to be done', async () => {
    const calls = replies('silence');
    await expect(command(WISH)).rejects.toThrow(CourierTrouble);
    expect(calls).toHaveLength(3);
  });
  it('has an id of its own each time', async () => {
    replies({ body: { accepted: true } });
    const ids = await Promise.all(Array.from({ length: 20 }, () => command(WISH).then((a) => a.id)));
    expect(new Set(ids).size).toBe(20);
    for (const id of ids) expect(id).toMatch(/^[A-Za-z0-9][A-Za-z0-9_-]*$/u);
  });
});

describe('what the courier tells', () => {
  /** A stream of messages, as the server sends them, that ends after the last. */
  function tells(...messages: [event: string, data: unknown][]): void {
    const lines = messages.map(([event, data]) => `event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
    const parts = [lines.join('')];
    const reader = {
      read: async () =>
        parts.length > 0 ? { done: false, value: parts.shift() } : { done: true, value: undefined },
      cancel: async () => undefined,
    };
    const body = { pipeThrough: () => ({ getReader: () => reader }) };
    globalThis.TextDecoderStream ??= class {} as never;
    globalThis.fetch = (async (path: string) =>
      path === '/api/events'
        ? { ok: true, status: 200, body }
        : { ok: false, status: 503, json: async () => null }) as unknown as typeof fetch;
  }
  const view = (id: string, more: object = {}) => ({
    id,
    listings: [],
    sale: null,
    laterSales: [],
    closing: null,
    ...more,
  });
  const settled = () => new Promise((done) => setTimeout(done, 20));
  let complained: jest.SpyInstance;
  beforeEach(() => {
    complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    useCourier.setState({ items: {}, misfits: {}, markets: [], sheets: [{} as never], health: null });
    useFaults.setState({ last: null, count: 0 });
  });
  afterEach(() => complained.mockRestore());

  it('and this page does not understand is shown as trouble, not left out; the rest is taken', async () => {
    tells(['item', view('good')], ['item', view('bad', { sale: 'yes' })], ['item', view('later')]);
    const stop = listen();
    await settled();
    stop();
    expect(Object.keys(useCourier.getState().items)).toEqual(['good', 'later']);
    expect(Object.keys(useCourier.getState().misfits)).toEqual(['bad']);
    expect(useFaults.getState().count).toBe(1);
  });
  it('and was not understood before is right once it is', async () => {
    useCourier.setState({ misfits: { t: 'sale' } });
    tells(['item', view('t')]);
    const stop = listen();
    await settled();
    stop();
    expect(useCourier.getState().misfits).toEqual({});
  });
  it('is all there is: what was only known before goes, what is the same is not drawn anew', async () => {
    const [same, old] = [view('same'), view('old')];
    tells(['item', view('same')]);
    const first = listen();
    await settled();
    first();
    const asKnown = useCourier.getState().items.same;
    useCourier.setState({ items: { same: asKnown!, old: old as never }, caughtUp: false, heardAt: 7 });
    tells(['item', same], ['item', view('new')], ['caughtUp', {}]);
    const stop = listen();
    await settled();
    stop();
    expect(Object.keys(useCourier.getState().items)).toEqual(['same', 'new']);
    expect(useCourier.getState().items.same).toBe(asKnown);
    expect(useCourier.getState()).toMatchObject({ caughtUp: true, connected: false });
    expect(useCourier.getState().heardAt).toBeGreaterThan(7);
  });
  it('breaking off before all was told, leaves what was known, and since when', async () => {
    useCourier.setState({ items: { old: view('old') as never }, caughtUp: false, heardAt: 7 });
    tells(['item', view('new')]);
    const stop = listen();
    await settled();
    stop();
    expect(Object.keys(useCourier.getState().items)).toEqual(['old', 'new']);
    expect(useCourier.getState()).toMatchObject({ caughtUp: false, heardAt: 7 });
  });
  it('of one marketplace does not cost the others', async () => {
    const market = (id: string) => ({
      id,
      name: id,
      letters: 'Xx',
      health: 'well',
      link: 'connected',
      locked: false,
      byHand: false,
      accessPage: null,
      trouble: null,
      sheetVersion: null,
    });
    tells(
      ['marketplaces', [market('moor'), { ...market('wick'), letters: 'too many' }]],
      ['health', { cannotWrite: 'full', since: 1, unreadLines: 0 }],
    );
    const stop = listen();
    await settled();
    stop();
    expect(useCourier.getState().markets.map((m) => m.id)).toEqual(['moor']);
    expect(useCourier.getState().health?.cannotWrite).toBe('full');
  });
  it('stops when it is told to: nothing is asked any more', async () => {
    tells();
    const stop = listen();
    await settled();
    stop();
    const asked = jest.spyOn(globalThis, 'fetch');
    await new Promise((done) => setTimeout(done, 900));
    expect(asked).not.toHaveBeenCalled();
  });
});

it('one rule sheet that does not fit costs that marketplace, not the others', async () => {
  const sheet = { marketplace: 'handbill', name: 'Handbill' };
  replies({ body: { sheets: [sheet, 7], missing: [{ market: 'moor', name: 'Moor', why: 'away' }] } });
  await loadSheets();
  expect(useCourier.getState().sheets).toEqual([]);
  expect(useCourier.getState().sheetsMissing.map((m) => m.name)).toEqual(['Moor', 'Handbill', '']);
});

it('a server that works for another attic now is told apart', async () => {
  workFor('mine');
  useCourier.setState({ otherAttic: false });
  const calls = replies({ status: 401 }, { body: {} });
  await expect(ask('/sheets')).rejects.toThrow('The courier works for another attic now');
  expect(useCourier.getState().otherAttic).toBe(true);
  await expect(ask('/commands')).rejects.toThrow('nothing was sent');
  // Nothing is told to it, or heard from it, but who it is.
  expect(calls.map((c) => c.token)).toEqual(['t0']);
  // A page that opened with no connection learns it before it says anything at all.
  useCourier.setState({ session: null, otherAttic: false });
  await expect(ask('/commands')).rejects.toThrow('nothing was sent');
  expect(calls).toHaveLength(1);
  useCourier.setState({ attic: null, otherAttic: false });
});

it('a marketplace nothing was heard of is called by its id', () => {
  expect(marketName('nearstile', [])).toBe('nearstile');
  expect(marketName('nearstile', [{ id: 'nearstile', name: 'Nearstile' }] as never)).toBe('Nearstile');
});
