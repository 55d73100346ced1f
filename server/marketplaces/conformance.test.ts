import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import type { ListingDraft } from '@/contract/courier';
import { Picture, Plan, planId, Settings, Item } from '@/contract/records';
import { Terms, type TermName } from '@/contract/terms';
import { draftAlike, severalAlike } from '@/core/choices/choices';
import type { News } from '@/core/courier/types';
import { BUILT_IN } from '@/core/kinds/tree';
import { checkListing } from '@/core/listing/check';
import { draftOf } from '@/core/listing/draft';
import { effectiveListing } from '@/core/listing/effective';
import { plainSetup } from '@/core/listing/setup';
import { picturesFor } from '@/core/picture/chosen';
import { takesTerm } from '@/core/terms/terms';

import { MARKETPLACES } from './marketplaces';
import { garmentPicture } from '../../e2e/pictures';
import { buyAt, freePort, until } from '../../e2e/serverProcess';
import { jumper } from '../../e2e/world';
import { CallFailed, Refused, type Adapter, type AlreadyOver } from '../courier/adapter';
import { start, type Running } from '../start';

/*
 * What the courier counts on from every adapter, each against its own stand-in over HTTP. A new adapter joins
 * the list and has to pass as it is.
 */
const CALLED = ['brackenmoor', 'threadwick', 'nearstile', 'oldhollow', 'quirestack', 'lanternyard'] as const;
type Called = (typeof CALLED)[number];

const BOOK: Partial<Item> = {
  kind: 'book',
  title: 'Seabirds of the Northern Coasts',
  description: 'Cloth boards a little sunned, plates all present.',
  use: 'regular',
  cost: 100,
  price: 900,
  weightG: 480,
  facts: { model: 'Seabirds', author: 'E. Farrowdale', brand: 'Drumlin Press', barcode: '2000000002415' },
};
const LONG = 'Tightly spun navy wool, knitted in the round, with a darn at the elbow. '.repeat(3);

let running: Running;
const shots = new Map<string, Uint8Array<ArrayBuffer>>();
const pictures = async (hash: string) => shots.get(hash)!;
let count = 0;

beforeAll(async () => {
  running = await start({
    port: await freePort(),
    data: mkdtempSync(join(tmpdir(), 'attic-adapters-')),
    dist: 'dist',
    demo: null,
  });
  for (const [i, shot] of [
    {},
    { side: 'back' as const },
    { zoom: 3, at: [500, 190] as [number, number] },
    { zoom: 3.6, at: [216, 556] as [number, number] },
  ].entries()) {
    const bytes = new Uint8Array(readFileSync(await garmentPicture(`conform-${i}.jpg`, shot, i + 1, 800)));
    shots.set(createHash('sha256').update(bytes).digest('hex'), bytes);
  }
}, 120_000);
afterAll(() => running.stop());

/** The draft of something new that this marketplace takes. */
async function draftFor(adapter: Adapter, terms?: Terms): Promise<ListingDraft> {
  const sheet = await adapter.ruleSheet();
  const n = (count += 1);
  const part =
    adapter.id === 'quirestack'
      ? BOOK
      : jumper(`Gansey jumper number ${n}, size M`, [adapter.id], { description: LONG }).part;
  const all = [...shots.keys()].map((hash, i) =>
    Picture.parse({
      id: `p${i}`,
      itemId: `t${n}`,
      origin: 'demo',
      author: 'Me',
      addedAt: 1,
      width: 800,
      height: 800,
      bytes: 9,
      exam: null,
      shows: hash.slice(0, 8),
    }),
  );
  const item = Item.parse({
    id: `t${n}`,
    code: `YA-${n}`,
    author: 'Me',
    createdAt: 1,
    updatedAt: 1,
    pictureIds: all.map((p) => p.id),
    ...part,
  });
  const plan = Plan.parse({
    id: planId(item.id, adapter.id),
    itemId: item.id,
    market: adapter.id,
    wanted: true,
  });
  const settings = Settings.parse({ id: 'settings', remembered: { nearstile: { place: 'Harbour steps' } } });
  const effective = effectiveListing(item, plan, sheet, BUILT_IN, {
    ...plainSetup(),
    settings,
    terms: terms ? [terms] : [],
  });
  const stopped = checkListing(item, effective, sheet, all, BUILT_IN).find((f) => f.level === 'blocker');
  if (stopped) throw new Error(`${adapter.id}: ${stopped.code}`);
  const hashes = [...shots.keys()];
  return draftOf(
    effective,
    sheet,
    picturesFor(all, sheet.photos).map((p) => hashes[Number(p.id.slice(1))]!),
  );
}

/** All sales that it tells of, however many portions they come in. */
async function salesSince(adapter: Adapter): Promise<News[]> {
  const all: News[] = [];
  for (let cursor: string | null = null; ;) {
    const { news, cursor: next } = await adapter.eventsSince(cursor);
    all.push(...news.filter((n) => n.type === 'sale'));
    if (next === cursor) return all;
    cursor = next;
  }
}

/** The same adapter, asked again after as long as the marketplace wants to be left alone: some are strict. */
function patient(adapter: Adapter): Adapter {
  const again = async (act: () => unknown): Promise<unknown> => {
    try {
      return await act();
    } catch (error) {
      if (!(error instanceof CallFailed) || error.retryAfter === null || error.locked) throw error;
      await new Promise((done) => setTimeout(done, error.retryAfter ?? 0));
      return again(act);
    }
  };
  return new Proxy(adapter, {
    get: (target, key: keyof Adapter) => {
      const it = target[key];
      return typeof it === 'function'
        ? (...given: never[]) => again(() => (it as (...a: never[]) => unknown).apply(target, given))
        : it;
    },
  });
}

// A strict one makes everybody wait.
jest.setTimeout(180_000);

describe.each(CALLED)('%s', (id: Called) => {
  let adapter: Adapter;
  let ref: string;
  const publish = (of: string, draft: ListingDraft, unclear = false) =>
    adapter.publish({ ref: of, draft, unclear }, pictures);
  const set = (switches: Record<string, unknown>) =>
    fetch(`${running.address}/outside/${id}/switchboard`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(switches),
    });
  const shown = async (of: string) => (await adapter.listOwnListings!()).filter((l) => l.ref === of);
  const isUp = (of: string) =>
    until(
      `${of} is up`,
      async () => (await adapter.lookUp(of))?.state === 'live' && (await shown(of)).length === 1,
    );
  /** Something new that is up. */
  const listed = async (): Promise<{ draft: ListingDraft; remoteId: string; url: string }> => {
    const draft = await draftFor(adapter);
    const answer = await publish(ref, draft);
    if ('news' in answer) throw new Error('over before it began');
    await isUp(ref);
    const there = await adapter.lookUp(ref);
    return { draft, remoteId: answer.remoteId || there!.remoteId, url: there!.url };
  };
  const kinds = (answer: unknown) =>
    typeof answer === 'object' && answer && 'news' in answer
      ? (answer as AlreadyOver).news.map((n) => n.type)
      : answer;
  const trouble = async (act: () => Promise<unknown>) => {
    const error = await act().then(
      () => null,
      (e: unknown) => e,
    );
    expect(error).toBeInstanceOf(CallFailed);
    return error as CallFailed;
  };

  beforeAll(() => set({ reviewTime: 300 }));
  beforeEach(() => {
    adapter = patient(running.courier.adapter(id)!);
    ref = `case${(count += 1)}.${id}.1`;
  });

  it('tells its own rules', async () => {
    expect((await adapter.ruleSheet()).marketplace).toBe(id);
  });

  it('puts up, once for a reference however often it is told, as it was sent', async () => {
    const { draft } = await listed();
    await publish(ref, draft);
    await publish(ref, draft, true);
    const [there, ...more] = await shown(ref);
    expect(more).toEqual([]);
    expect(there).toMatchObject({ ref, price: draft.price, market: id });
    if (id !== 'quirestack') expect(there?.title).toBe(draft.title);
  });

  it('changes what is up, and says when it is over', async () => {
    const { draft, remoteId } = await listed();
    const dearer = { ...draft, price: draft.price + 100 };
    expect(await adapter.revise(ref, remoteId, dearer, pictures)).toBe('revised');
    expect((await shown(ref))[0]?.price).toBe(dearer.price);
    await adapter.withdraw(ref, remoteId, 'withdrawn');
    const after = await adapter.revise(ref, remoteId, draft, pictures).then(kinds, (e: unknown) => e);
    if (!(after instanceof Refused)) expect(after).toEqual(['ended']);
    expect(await shown(ref)).toEqual([]);
  });

  it('shows buyers every term that it takes, is told no other, and changes them', async () => {
    const sheet = await adapter.ruleSheet();
    const terms = Terms.parse({
      id: 'usual',
      market: id,
      name: 'Usual',
      isDefault: true,
      home: 'flat',
      flat: 365,
      further: 135,
      abroad: 'far',
      handlingDays: 7,
      returnDays: 30,
      returnsPaidBy: 'seller',
      payment: ['transfer', 'cash'],
      taxBp: 700,
      collect: true,
    });
    const draft = await draftFor(adapter, terms);
    expect(Object.keys(draft.terms ?? {}).sort()).toEqual([...(sheet.terms?.takes ?? [])].sort());
    const answer = await publish(ref, draft);
    if ('news' in answer) throw new Error('over before it began');
    await isUp(ref);
    const there = (await adapter.lookUp(ref))!;
    const read = async () =>
      (await (await fetch(`${running.address}${there.url}`)).text()).replaceAll('&#39;', '’');
    const money = (amount: number) =>
      new RegExp(`${Math.floor(amount / 100)}[.,]${String(amount % 100).padStart(2, '0')}`, 'u');
    const shows: Record<TermName, readonly RegExp[]> = {
      further: [money(135)],
      abroad: (draft.terms?.abroad ?? []).map((a) => money(a.price)),
      handlingDays: [/within 7 days/iu],
      returnDays: [/back within 30 days/iu],
      returnsPaidBy: [/seller/u],
      payment: [/transfer/u, /cash/u],
      taxBp: [/7 % tax/u],
      collect: [/fetched/u],
    };
    const page = await read();
    for (const name of sheet.terms?.takes ?? []) for (const words of shows[name]) expect(page).toMatch(words);
    if (sheet.terms?.takes.includes('abroad')) expect(draft.terms?.abroad).toHaveLength(2);
    if (takesTerm(sheet, 'home')) expect(page).toMatch(money(365));
    // Changed, the buyer's page follows; what is set to nothing is gone from it.
    const plain = {
      ...terms,
      flat: 295,
      further: 0,
      abroad: 'none' as const,
      handlingDays: 3,
      returnDays: 0,
      taxBp: 0,
      collect: false,
    };
    const changed = await draftFor(adapter, plain);
    await adapter.revise(
      ref,
      there.remoteId,
      { ...draft, postage: changed.postage, terms: changed.terms },
      pictures,
    );
    const after = await read();
    if (takesTerm(sheet, 'home')) expect(after).toMatch(money(295));
    if (takesTerm(sheet, 'handlingDays')) expect(after).toMatch(/within 3 days/iu);
    for (const name of ['returnDays', 'abroad', 'taxBp', 'collect'] as const)
      if (takesTerm(sheet, name)) for (const words of shows[name]) expect(after).not.toMatch(words);
  });

  it('takes down, and knows that it is down', async () => {
    const { remoteId } = await listed();
    expect(await adapter.withdraw(ref, remoteId, 'withdrawn')).toBe('withdrawn');
    expect(await shown(ref)).toEqual([]);
    const after = await adapter.lookUp(ref);
    expect(after === null || after.over).toBe(true);
    // Told again, whatever it answers, it is no second withdrawal of something that is up.
    expect(['absent', 'withdrawn', 'ended']).toContain(
      [kinds(await adapter.withdraw(ref, remoteId, 'withdrawn'))].flat()[0],
    );
  });

  it('takes down by the reference alone, and says when it never had it', async () => {
    await listed();
    expect(await adapter.withdraw(ref, null, 'withdrawn')).toBe('withdrawn');
    expect(await adapter.withdraw(`never.${id}.1`, null, 'withdrawn')).toBe('absent');
    expect(await adapter.lookUp(`never.${id}.1`)).toBeNull();
  });

  it('says no with the field at fault, and nothing goes up', async () => {
    const draft = await draftFor(adapter);
    const broken = { ...draft, price: 1, title: '', condition: 'nothing of that sort' };
    if (id === 'nearstile' || id === 'quirestack') {
      // It takes everything in and says no afterwards, by its feed.
      const before = (await adapter.eventsSince(null)).cursor;
      const at = await publish(ref, broken).catch((e: unknown) => e);
      if (!(at instanceof Refused))
        await until('it is turned down', async () =>
          (await adapter.eventsSince(before)).news.some(
            (n) => n.type === 'turnedDown' && n.ref === ref && n.reasons.length > 0,
          ),
        );
    } else {
      const no = await publish(ref, broken).then(
        () => null,
        (e: unknown) => e,
      );
      expect(no).toBeInstanceOf(Refused);
      const { reasons } = no as Refused;
      expect(reasons.length).toBeGreaterThan(0);
      for (const { field, message } of reasons) expect([field, message]).not.toContain('');
    }
    expect(await shown(ref)).toEqual([]);
  });

  if (id !== 'nearstile')
    it('tells of a sale once, with what it brought, whoever asks', async () => {
      const { draft, remoteId, url } = await listed();
      await buyAt(`${running.address}${url}`);
      let sales = 0;
      await until('the sale is told', async () => {
        const { news } = await adapter.eventsSince(null);
        const mine = news.filter((n) => n.type === 'sale' && n.ref === ref);
        sales = mine.length;
        if (mine[0]?.type === 'sale') expect(mine[0].amount).toBe(draft.price);
        return sales > 0;
      });
      // Those who tell twice on a bad day tell of the same order.
      expect(sales).toBe(1);
      // Where there may be several, a sale alone does not say that it is over.
      const said = (await adapter.ruleSheet()).quantity ? ['sale', 'ended'] : ['sale'];
      expect(kinds(await adapter.withdraw(ref, remoteId, 'withdrawn'))).toEqual(said);
      expect(kinds(await adapter.revise(ref, remoteId, draft, pictures))).toEqual(said);
      expect((await adapter.lookUp(ref))?.over ?? true).toBe(true);
      expect(await shown(ref)).toEqual([]);
    });

  it('counts several just alike where its rules say so, and shows one everywhere else', async () => {
    const { quantity } = await adapter.ruleSheet();
    const several = (n: number) => draftAlike(severalAlike(null, n, 'YA-1'), 900, quantity?.most ?? null);
    const draft = { ...(await draftFor(adapter)), choices: several(3) };
    const answer = await publish(ref, draft);
    if ('news' in answer) throw new Error('over before it began');
    await isUp(ref);
    const { remoteId, url } = (await adapter.lookUp(ref))!;
    const page = `${running.address}${url}`;
    const left = async () =>
      Number(/(\d+) (?:of it|copies) left/u.exec(await (await fetch(page)).text())?.[1] ?? 1);
    expect(await left()).toBe(quantity ? 3 : 1);
    if (!quantity) return;
    const isGone = async () => (await shown(ref)).length === 0;
    await buyAt(page);
    expect([await left(), await isGone()]).toEqual([2, false]);
    // One more went elsewhere: of three, two are counted here, one of which is gone.
    await adapter.revise(ref, remoteId, { ...draft, choices: several(2) }, pictures);
    expect([await left(), await isGone()]).toEqual([1, false]);
    await buyAt(page);
    expect(await isGone()).toBe(true);
    // Nothing is told that is not so: two sales, and two orders.
    const sales = (await salesSince(adapter)).filter((n) => n.ref === ref);
    expect(new Set(sales.map((n) => n.type === 'sale' && n.order)).size).toBe(2);
    // Told the same again it is over; once there are more of it, it is offered again.
    expect(kinds(await adapter.revise(ref, remoteId, { ...draft, choices: several(2) }, pictures))).toContain(
      'ended',
    );
    expect(await adapter.revise(ref, remoteId, { ...draft, choices: several(5) }, pictures)).toBe('revised');
    expect([await left(), await isGone()]).toEqual([3, false]);
    expect(await adapter.withdraw(ref, remoteId, 'withdrawn')).toBe('withdrawn');
  });

  it('sells in variations where its rules say so: each piece by its code, with its own picture', async () => {
    if (!(await adapter.ruleSheet()).choices) return;
    const plain = await draftFor(adapter);
    const piece = (code: string, value: string, price: number, stock: number, pictures?: number[]) => ({
      code,
      values: [value],
      price,
      stock,
      ...(pictures ? { pictures } : {}),
    });
    const choices = {
      options: ['Piece'],
      pieces: [piece('S/1', 'mug', 900, 1), piece('S/2', 'plate', 1_250, 2, [1])],
    };
    const answer = await publish(ref, { ...plain, choices });
    if ('news' in answer) throw new Error('over before it began');
    await isUp(ref);
    const page = `${running.address}${(await adapter.lookUp(ref))!.url}`;
    const html = async () => (await fetch(page)).text();
    expect(await html()).toMatch(/mug,\s+9\.00\s€\s+\(1 left\)/u);
    // The plate has a picture of its own beside its name; the mug is shown by all.
    expect(await html()).toMatch(/<img[^>]+width="44"[^>]*>\s*plate/u);
    expect(await html()).not.toMatch(/<img[^>]+width="44"[^>]*>\s*mug/u);
    await buyAt(page, 'S/2');
    await until('the sale is told, with its piece', async () => {
      const sales = (await salesSince(adapter)).filter((n) => n.ref === ref);
      return sales.some((n) => n.type === 'sale' && n.piece === 'S/2' && n.amount === 1_250);
    });
    expect(await html()).toMatch(/plate,\s+12\.50\s€\s+\(1 left\)/u);
    // The mug went elsewhere: of one, none is left to be sold here.
    const without = { ...choices, pieces: [piece('S/1', 'mug', 900, 0), choices.pieces[1]!] };
    const { remoteId } = (await adapter.lookUp(ref))!;
    expect(await adapter.revise(ref, remoteId, { ...plain, choices: without }, pictures)).toBe('revised');
    expect(await html()).toMatch(/mug,\s+9\.00\s€\s+\(gone\)/u);
    expect(await adapter.withdraw(ref, remoteId, 'withdrawn')).toBe('withdrawn');
  });

  it('after a cursor nothing is told again', async () => {
    await listed();
    const first = await adapter.eventsSince(null);
    const next = await adapter.eventsSince(first.cursor);
    expect(next.news).toEqual([]);
    expect(next.cursor).toBe(first.cursor);
  });

  describe('on a bad day', () => {
    afterEach(() => set({ outageMinutes: 0, tooMany: 0, broken: 0, hangUp: 0, tokenExpired: false }));

    it('passes on how long it wants to be left alone', async () => {
      // One that was asked too much of already says so by itself.
      await adapter.eventsSince(null);
      // Not once only: the courier asks for news meanwhile, and would be the one that is told.
      await set({ tooMany: 9 });
      expect(await trouble(() => running.courier.adapter(id)!.eventsSince(null))).toMatchObject({
        retryAfter: 2_000,
        unclear: false,
      });
    });

    it('an outage changed nothing, for certain', async () => {
      await set({ outageMinutes: 5 });
      expect((await trouble(() => adapter.withdraw(ref, 'x', 'withdrawn'))).unclear).toBe(false);
      expect((await trouble(() => adapter.lookUp(ref))).unclear).toBe(false);
    });

    it('a key that has run out is said to be that', async () => {
      await set({ tokenExpired: true });
      const { locked, unclear } = await trouble(() => adapter.eventsSince(null));
      expect([locked, unclear]).toEqual([true, false]);
      // A new key, as a person would bring it.
      await set({ tokenExpired: false });
    });

    it('an answer that was lost is unclear; told again, there is one listing and no more', async () => {
      const draft = await draftFor(adapter);
      await set({ hangUp: 1 });
      const lost = await publish(ref, draft).then(
        () => null,
        (e: unknown) => e,
      );
      if (lost !== null) expect(lost).toMatchObject({ unclear: true });
      await publish(ref, draft, true);
      await isUp(ref);
      expect(await shown(ref)).toHaveLength(1);
    });
  });
});

it('the one that is done by hand is never called: all of it is the person’s', async () => {
  const adapter = running.courier.adapter('handbill')!;
  expect(adapter.capabilities.byHand).toBe(true);
  expect(adapter.listOwnListings).toBeUndefined();
  expect((await adapter.ruleSheet()).byHand).toBe(true);
});

it('is asked of every marketplace that can be called', () => {
  expect(MARKETPLACES.filter((m) => m.letsInByCode).map((m) => m.id)).toEqual([...CALLED]);
});
