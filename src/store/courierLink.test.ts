import 'fake-indexeddb/auto';

import { setSettings } from './attic';
import { ask, command, CourierTrouble, marketName, useCourier } from './courierLink';

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
      : (all.length > 1 ? all.shift()! : all[0]); // prettier-ignore
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
  const WISH = { type: 'withdraw', thing: 't', market: 'brackenmoor' } as const;
  it('whose answer was lost is given again under the same id, by the same person', async () => {
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

it('a marketplace nothing was heard of is called by its id', () => {
  expect(marketName('nearstile', [])).toBe('nearstile');
  expect(marketName('nearstile', [{ id: 'nearstile', name: 'Nearstile' }] as never)).toBe('Nearstile');
});
