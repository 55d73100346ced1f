import { z } from 'zod';

import { Currency, MarketId, Minor } from '@/contract/common';
import { Find } from '@/contract/likeness';

import { cut } from './cut';
import { call, readAs } from '../courier/call';
import { pictureAt } from '../courier/ownListings';

/** Most that is taken of one answer. */
const MOST = 60;

const Sold = z.object({
  no: z.string().min(1).max(80),
  words: cut(400),
  by: cut(120).default(''),
  under: z.array(cut(120)).max(8).default([]),
  colour: cut(60).default(''),
  place: MarketId,
  /** The desk counts from 0, like new, to 4, worn out. */
  wear: z.number().int().min(0).max(4).default(1),
  went: z.object({ cents: Minor.nonnegative(), currency: Currency }),
  up: z.iso.datetime(),
  gone: z.iso.datetime(),
  pane: z.string().max(80).nullable().default(null),
  score: z.number().min(0).max(100),
});

/** What was sold before that looks like a picture. */
export interface LikenessDesk {
  /**
   * @param picture a small JPEG
   * @returns the most alike first; empty where there is nothing like it; null where it can't make it out
   * @throws CallFailed when it can't be asked
   */
  ask(picture: Uint8Array<ArrayBuffer>): Promise<Find[] | null>;
  /** The picture of a find, as the desk has it. @throws CallFailed */
  picture(name: string): Promise<Uint8Array<ArrayBuffer>>;
}

export function likenessDesk(config: { address: string; token: () => string }): LikenessDesk {
  return {
    picture: (name) => pictureAt(`${config.address}/panes`, name),
    async ask(picture) {
      const { status, body } = await call(`${config.address}/desk/alike`, {
        method: 'POST',
        headers: { 'content-type': 'image/jpeg' },
        body: picture,
        token: config.token(),
        expected: [200, 400],
      });
      if (status === 400) return null;
      return findsOf(body);
    },
  };
}

/** An answer of the desk, the most alike first. @throws CallFailed where it is none */
export function findsOf(body: unknown): Find[] {
  const { alike } = readAs(z.object({ alike: z.array(z.unknown()).max(500) }), body);
  // One that can't be read must not cost the others.
  return alike
    .slice(0, MOST)
    .flatMap((one) => {
      const sold = Sold.safeParse(one);
      return sold.success ? [findOf(sold.data)] : [];
    })
    .sort((a, b) => b.score - a.score);
}

function findOf(sold: z.infer<typeof Sold>): Find {
  return Find.parse({
    id: sold.no,
    market: sold.place,
    title: sold.words,
    maker: sold.by,
    sort: sold.under,
    colour: sold.colour,
    wear: sold.wear,
    price: { amount: sold.went.cents, currency: sold.went.currency },
    listedAt: Date.parse(sold.up),
    soldAt: Date.parse(sold.gone),
    picture: sold.pane,
    score: sold.score,
  });
}
