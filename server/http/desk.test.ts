import { Hono, type Context } from 'hono';
import type { HttpBindings } from '@hono/node-server';

import type { Adapter } from '../courier/adapter';
import type { Courier } from '../courier/courier';
import type { Carrier } from '../carrier/carrier';
import { deskRoutes, type OfMarket } from './desk';

const answered: string[] = [];
const talk = (id: string, ref: string) => ({ id, ref });
const adapter = {
  name: 'Moor',
  talks: {
    all: async () => [talk('ours', 't.moor.1'), talk('strange', 'somebody-elses')],
    reply: async () => undefined,
    answerOffer: async (id: string, _: string, { answer }: { answer: string }) =>
      void answered.push(`${id} ${answer}`),
  },
} as unknown as Adapter;
const courier = { thingBehind: (ref: string) => (ref === 't.moor.1' ? 't' : null) } as unknown as Courier;
const ofMarket: OfMarket = (_: Context, ask) => ask(adapter);

const app = new Hono<{ Bindings: HttpBindings }>();
deskRoutes(app, { courier, carrier: {} as Carrier, ofMarket });
const answer = (id: string, how: string) =>
  app.request(`/talks/moor/${id}/offers/o1`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ answer: how, amount: how === 'counter' ? 100 : null }),
  });

describe('an offer', () => {
  beforeEach(() => answered.splice(0));
  it.each(['accept', 'counter'])('for a thing the courier never saw can’t be met with “%s”', async (how) => {
    const response = await answer('strange', how);
    expect(response.status).toBe(409);
    expect(await response.json()).toMatchObject({
      error: expect.stringMatching(/does not know that thing/u),
    });
    expect((await answer('nowhere', how)).status).toBe(409);
    expect(answered).toEqual([]);
  });
  it('may always be refused, and is answered where the thing is known', async () => {
    expect((await answer('strange', 'refuse')).status).toBe(204);
    expect((await answer('ours', 'accept')).status).toBe(204);
    expect(answered).toEqual(['strange refuse', 'ours accept']);
  });
});
