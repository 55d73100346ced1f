import { z } from 'zod';

import type { OrderAtMarket, Talk } from '@/contract/fulfilment';

import { Refused, type MarketOrders, type MarketTalks } from '../courier/adapter';
import { call, readAs } from '../courier/call';

/** How these marketplaces write a conversation. */
const TalkTold = z.object({
  id: z.string().min(1).max(120),
  ref: z.string().min(1).max(120),
  what: z.string().max(4_000),
  who: z.string().max(200),
  lines: z
    .array(
      z.object({ by: z.enum(['buyer', 'seller']), words: z.string(), at: z.number().int().nonnegative() }),
    )
    .max(500),
  offers: z
    .array(
      z.object({
        id: z.string().min(1).max(60),
        cents: z.number().int().nonnegative(),
        at: z.number().int().nonnegative(),
        state: z.enum(['open', 'accepted', 'refused', 'countered', 'paid', 'over']),
        counterCents: z.number().int().nonnegative().nullable(),
      }),
    )
    .max(200),
  changedAt: z.number().int().nonnegative(),
});
const OrderTold = z.object({
  no: z.string().min(1).max(120),
  cents: z.number().int().nonnegative(),
  postCents: z.number().int().nonnegative(),
  feeCents: z.number().int().nonnegative(),
  buyer: z.object({
    name: z.string(),
    lines: z.array(z.string()).max(6),
    zone: z.enum(['inland', 'near', 'far']),
  }),
  state: z.enum(['paid', 'posted', 'cancelled', 'given back']),
  backCents: z.number().int().nonnegative(),
  feeBackCents: z.number().int().nonnegative(),
});
const Objection = z.object({ message: z.string().max(1_000) });

const json = { 'content-type': 'application/json' };
const cut = (text: string, most: number) => text.slice(0, most);

interface Way {
  market: string;
  /** Address that conversations or orders stand under. */
  at: string;
  token: () => string;
}

/** A change that the marketplace may say no to, with its words. */
async function change(at: string, token: string, body: unknown): Promise<unknown> {
  const { status, body: said } = await call(at, {
    method: 'POST',
    token,
    expected: [200, 404, 409],
    headers: json,
    body: JSON.stringify(body),
  });
  if (status === 200) return said;
  throw new Refused([{ field: '', message: readAs(Objection, said).message }]);
}

/** Conversations where a marketplace has them all in one list. */
export function talksAt({ market, at, token }: Way, takesOffers: boolean): MarketTalks {
  return {
    async all() {
      const { body } = await call(at, { token: token(), expected: [200] });
      const { talks } = readAs(z.object({ talks: z.array(TalkTold).max(5_000) }), body);
      return talks.map((t): Talk => ({
        market,
        id: t.id,
        ref: t.ref,
        what: cut(t.what, 400),
        who: cut(t.who, 120),
        changedAt: t.changedAt,
        takesOffers,
        lines: t.lines.map((l) => ({ ...l, words: cut(l.words, 4_000) })),
        offers: t.offers.map(({ cents, counterCents, ...o }) => ({
          ...o,
          amount: cents,
          counter: counterCents,
        })),
      }));
    },
    async reply(id, words) {
      await change(`${at}/${encodeURIComponent(id)}/lines`, token(), { words });
    },
    async answerOffer(id, offer, { answer, amount }) {
      await change(`${at}/${encodeURIComponent(id)}/offers/${encodeURIComponent(offer)}`, token(), {
        answer,
        cents: amount,
      });
    },
  };
}

/** Orders and statements where a marketplace handles the money. */
export function ordersAt({ at, token }: Way): MarketOrders {
  const one = (no: string) => `${at}/${encodeURIComponent(no)}`;
  const read = (body: unknown): OrderAtMarket => {
    const o = readAs(OrderTold, body);
    return {
      order: o.no,
      state: o.state === 'given back' ? 'givenBack' : o.state,
      amount: o.cents,
      postage: o.postCents,
      fees: o.feeCents,
      back: o.backCents,
      feesBack: o.feeBackCents,
      buyer: {
        name: cut(o.buyer.name, 120),
        lines: o.buyer.lines.map((l) => cut(l, 120)),
        zone: o.buyer.zone,
      },
    };
  };
  return {
    async order(no) {
      const { status, body } = await call(one(no), { token: token(), expected: [200, 404] });
      return status === 404 ? null : read(body);
    },
    async change(no, wish) {
      switch (wish.type) {
        case 'posted':
          return read(await change(`${one(no)}/posted`, token(), wish));
        case 'cancel':
          return read(await change(`${one(no)}/cancel`, token(), wish));
        case 'giveBack':
          return read(await change(`${one(no)}/give-back`, token(), { why: wish.why, cents: wish.amount }));
      }
    },
    async statement() {
      const { body } = await call(`${at}-statement`, { token: token(), expected: [200] });
      return readAs(z.object({ statement: z.string().max(2_000_000) }), body).statement;
    },
  };
}
