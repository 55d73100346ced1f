import type { HttpBindings } from '@hono/node-server';
import { Hono, type Context } from 'hono';

import type { OfMarket } from './asking';
import { fulfilmentRoutes } from './fulfilment';
import type { Carrier } from '../carrier/carrier';
import type { Adapter } from '../courier/adapter';
import type { Courier } from '../courier/courier';

const answered: string[] = [];
const talk = (id: string, ref: string) => ({ id, ref });
const adapter = {
  name: 'Moor',
  talks: {
    all: async () => [talk('ours', 't.moor.1'), talk('taken', 'u.moor.1'), talk('strange', 'somebody-elses')],
    reply: async () => undefined,
    answerOffer: async (id: string, _: string, { answer }: { answer: string }) =>
      void answered.push(`${id} ${answer}`),
  },
} as unknown as Adapter;
let why: 'sold' | 'promised' | null = 'sold';
const courier = {
  itemBehind: (ref: string) => /^(.)\.moor/u.exec(ref)?.[1] ?? null,
  notToPromise: (item: string) => (item === 'u' ? why : null),
  // Of the whole courier the desk asks only these.
} as unknown as Courier;
const ofMarket: OfMarket = (_: Context, ask) => ask(adapter);

const app = new Hono<{ Bindings: HttpBindings }>();
fulfilmentRoutes(app, { courier, carrier: {} as Carrier, ofMarket });
const answer = (id: string, how: string) =>
  app.request(`/talks/moor/${id}/offers/o1`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ answer: how, amount: how === 'counter' ? 100 : null }),
  });

describe('an offer', () => {
  beforeEach(() => answered.splice(0));
  it.each(['accept', 'counter'])('for an item the courier never saw can’t be met with “%s”', async (how) => {
    const response = await answer('strange', how);
    expect(response.status).toBe(409);
    expect(await response.json()).toMatchObject({
      error: expect.stringMatching(/does not know that item/u),
    });
    expect((await answer('nowhere', how)).status).toBe(409);
    expect(answered).toEqual([]);
  });
  it.each([
    ['sold', 'accept', /^It is sold\./u],
    ['promised', 'counter', /^It is promised on another marketplace\./u],
  ] as const)('for an item that is %s can’t be met with “%s”', async (is, how, words) => {
    why = is;
    const response = await answer('taken', how);
    expect(response.status).toBe(409);
    expect(await response.json()).toMatchObject({ error: expect.stringMatching(words) });
    expect((await answer('taken', 'refuse')).status).toBe(204);
    expect(answered).toEqual(['taken refuse']);
  });
  it('may always be refused, and is answered where the item is known', async () => {
    expect((await answer('strange', 'refuse')).status).toBe(204);
    expect((await answer('ours', 'accept')).status).toBe(204);
    expect(answered).toEqual(['strange refuse', 'ours accept']);
  });
});
