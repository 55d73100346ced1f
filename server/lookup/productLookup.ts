import { z } from 'zod';

import { CatalogueRecord, type LookUpAnswer } from '@/contract/catalogue';
import { Currency, Minor } from '@/contract/common';

import { cut } from './cut';
import { call, readAs } from '../courier/call';
import { pictureAt } from '../courier/ownListings';

/** A card as the desk sends it. */
const Card = z.object({
  heading: cut(400),
  house: cut(200).default(''),
  under: z.array(cut(120)).max(8).default([]),
  particulars: z
    .array(z.object({ what: cut(60), is: cut(400) }))
    .max(60)
    .default([]),
  newAt: z.object({ cents: Minor.nonnegative(), currency: Currency }).nullable().default(null),
  /** What its picture is asked for by; null: there is none. */
  cover: z.string().max(80).nullable().default(null),
  standing: z
    .object({ place: z.number().int().positive(), among: cut(120), of: z.number().int().positive() })
    .nullable()
    .default(null),
});

/**
 * Where barcodes are looked up.
 *
 * @example
 *   const answer = await lookup.ask('2000000002415');
 *   if (answer.found) say(answer.record.title);
 */
export interface ProductLookup {
  /** @throws CallFailed when it can't be asked, in words for a person */
  ask(barcode: string): Promise<LookUpAnswer>;
  /** The picture of a card, as the desk has it. @throws CallFailed */
  picture(name: string): Promise<Uint8Array<ArrayBuffer>>;
}

export function productLookup(config: { address: string; token: () => string }): ProductLookup {
  return {
    picture: (name) => pictureAt(`${config.address}/covers`, name),
    async ask(barcode) {
      const { status, body } = await call(`${config.address}/desk/cards/${encodeURIComponent(barcode)}`, {
        token: config.token(),
        expected: [200, 400, 404],
      });
      if (status !== 200) return { found: false };
      const card = readAs(Card, body);
      return {
        found: true,
        record: CatalogueRecord.parse({
          barcode,
          title: card.heading,
          maker: card.house,
          sort: card.under,
          details: Object.fromEntries(card.particulars.map(({ what, is }) => [what, is])),
          rank: card.standing,
          picture: card.cover,
          listPrice: card.newAt && { amount: card.newAt.cents, currency: card.newAt.currency },
        }),
      };
    },
  };
}
