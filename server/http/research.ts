import type { Context } from 'hono';
import { z } from 'zod';

import type { AuctionsAnswer } from '@/contract/auctions';
import type { LookUpAnswer } from '@/contract/catalogue';
import type { CompetingAnswer, CompsAnswer, SearchDemandAnswer } from '@/contract/comps';
import { LIKENESS_BYTES, type LikenessAnswer } from '@/contract/likeness';
import { LONGEST_ADDRESS } from '@/contract/picture';
import { PublicSearch, type PublicAnswer } from '@/contract/publicListing';
import { pictureGate } from '@/core/picture/gate';
import { troubleWords } from '@/wording/courier';
import { addressTroubleWords } from '@/wording/pictures';

import { answerOf, body, tooLarge, type Api } from './asking';
import { CallFailed, type Adapter } from '../courier/adapter';
import type { Courier } from '../courier/courier';
import type { LikenessDesk } from '../lookup/likenessDesk';
import type { FetchedPicture } from '../lookup/pictureFrom';
import type { ProductLookup } from '../lookup/productLookup';

/** Marketplaces asked in one go. */
const MOST_ASKED = 20;

/**
 * Asks each marketplace of `?at=market:category` on its own; one that fails does not keep the others from
 * answering.
 */
async function askAll<T>(
  courier: Courier,
  at: readonly string[],
  ask: (adapter: Adapter, category: string) => Promise<T>,
) {
  const missing: CompsAnswer['missing'] = [];
  const answers = await Promise.all(
    at.slice(0, MOST_ASKED).map(async (one) => {
      const [market = '', category = ''] = one.split(/:(.*)/su);
      const adapter = courier.adapter(market);
      if (!adapter) return [];
      try {
        return [{ market, answer: await ask(adapter, category.slice(0, 80)) }];
      } catch (error) {
        if (!(error instanceof CallFailed)) throw error;
        missing.push({ market, why: error.trouble });
        return [];
      }
    }),
  );
  return { answers: answers.flat(), missing };
}

/** Whom research asks. */
export interface ResearchParts {
  courier: Courier;
  desk: ProductLookup;
  likeness: LikenessDesk;
  pictureAt: (address: string) => Promise<FetchedPicture>;
}

/** What is found out before something is sold: prices paid, words searched for, other offers, catalogues. */
export function researchRoutes(app: Api, { courier, desk, likeness, pictureAt }: ResearchParts): void {
  app.get('/comps', async (c) => {
    const words = (c.req.query('words') ?? '').slice(0, 200);
    const { answers, missing } = await askAll(courier, c.req.queries('at') ?? [], (a, category) =>
      a.history(category, words),
    );
    return c.json({ comps: answers.flatMap((a) => a.answer), missing } satisfies CompsAnswer);
  });

  app.get('/search-demand', async (c) => {
    const { answers, missing } = await askAll(courier, c.req.queries('at') ?? [], (a, category) =>
      a.searchDemand(category),
    );
    return c.json({
      markets: answers.map(({ market, answer }) => ({ market, words: answer.slice(0, 500) })),
      missing,
    } satisfies SearchDemandAnswer);
  });

  app.get('/competing', async (c) => {
    const adapter = courier.adapter(c.req.query('market') ?? '');
    const barcode = c.req.query('barcode') ?? '';
    if (!adapter?.competing || !/^\d{7,13}[\dX]$/u.test(barcode))
      return c.json({ error: 'Nobody lists against such a number there.' }, 400);
    return answerOf(c, adapter.name, async () => {
      const offers = (await adapter.competing?.(barcode)) ?? [];
      return c.json({ offers } satisfies CompetingAnswer);
    });
  });

  app.get('/public-listings', async (c) => {
    const adapter = courier.adapter(c.req.query('market') ?? '');
    const search = PublicSearch.safeParse(c.req.query());
    if (!adapter?.publicListings || !search.success)
      return c.json({ error: 'Nothing can be looked through there.' }, 400);
    return answerOf(c, adapter.name, async () => {
      const listings = (await adapter.publicListings?.(search.data)) ?? [];
      return c.json({ listings } satisfies PublicAnswer);
    });
  });

  app.get('/auctions', async (c) => {
    const there = courier.markets().filter(({ id }) => courier.adapter(id)?.auctions);
    const at = there.map(({ id }) => `${id}:`);
    const { answers, missing } = await askAll(courier, at, async (a) => (await a.auctions?.()) ?? []);
    return c.json({ auctions: answers.flatMap((a) => a.answer), missing } satisfies AuctionsAnswer);
  });

  lookUpRoutes(app, desk);
  likenessRoutes(app, likeness);

  const wanted = body(z.object({ address: z.string().max(LONGEST_ADDRESS) }), 'That is no address.');
  app.post('/picture-at', tooLarge(10_000, 'That is too long.'), wanted, async (c) => {
    const fetched = await pictureAt(c.req.valid('json').address);
    if (!fetched.ok) return c.json({ error: addressTroubleWords(fetched.why) }, 422);
    // Whatever it says it is, it leaves here as bytes to be drawn anew, never as a page.
    return c.body(fetched.bytes, 200, { 'Content-Type': 'application/octet-stream' });
  });
}

function lookUpRoutes(app: Api, desk: ProductLookup): void {
  app.get('/lookup/pictures/:name', (c) =>
    outside(c, 'The product look-up', () => pictureOf(c, 'The product look-up', desk)),
  );

  app.get('/lookup/:barcode', async (c) => {
    const barcode = c.req.param('barcode');
    if (!/^\d{7,13}[\dX]$/u.test(barcode)) return c.json({ error: 'That is no barcode.' }, 400);
    return outside(c, 'The product look-up', async () =>
      c.json((await desk.ask(barcode)) satisfies LookUpAnswer),
    );
  });
}

function likenessRoutes(app: Api, likeness: LikenessDesk): void {
  app.get('/likeness/pictures/:name', (c) =>
    outside(c, 'The likeness desk', () => pictureOf(c, 'The likeness desk', likeness)),
  );

  const small = tooLarge(LIKENESS_BYTES, 'The picture is too large to be looked for.');
  app.post('/likeness', small, async (c) => {
    const bytes = new Uint8Array(await c.req.arrayBuffer());
    const unread = { error: 'That picture could not be made out: nothing was looked for.' };
    if (!pictureGate(bytes).ok) return c.json(unread, 422);
    return outside(c, 'The likeness desk', async () => {
      const finds = await likeness.ask(bytes);
      return finds ? c.json({ finds } satisfies LikenessAnswer) : c.json(unread, 422);
    });
  });
}

/** A picture that a look-up has. */
async function pictureOf(c: Context, who: string, desk: Pick<ProductLookup, 'picture'>): Promise<Response> {
  const bytes = await desk.picture(c.req.param('name') ?? '');
  if (!pictureGate(bytes).ok) return c.json({ error: `${who} sent no picture.` }, 422);
  // Whatever was sent, it leaves here as a picture to be drawn anew, never as a page.
  return c.body(bytes, 200, { 'Content-Type': 'image/png' });
}

/** Asks a look-up; its trouble becomes an answer with words, and 429 where it may be asked again soon. */
async function outside(c: Context, who: string, ask: () => Promise<Response>): Promise<Response> {
  try {
    return await ask();
  } catch (error) {
    if (!(error instanceof CallFailed)) throw error;
    return c.json({ error: `${who}: ${troubleWords(error.trouble)}` }, error.retryAfter !== null ? 429 : 502);
  }
}
