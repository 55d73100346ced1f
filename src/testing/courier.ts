import type { CourierListingView, CourierItemView, ListingDraft, Sale } from '@/contract/courier';
import { looseDraft } from '@/core/listing/draft';
import { useAttic } from '@/store/attic/attic';
import { useCourier } from '@/store/courier/courierLink';
import { examine } from '@/store/courier/sending';

/** What was asked of the server, in order. */
export interface Asked {
  path: string;
  body: Record<string, unknown>;
}

type Answer = unknown | { refused: string; status: number };
type Answering = (asked: Asked) => Answer;

/**
 * A server for tests of the desk: `answers` by the beginning of a path, the longest that fits. Commands are
 * taken unless told otherwise.
 *
 * @returns what it was asked, growing
 */
export function fakeServer(answers: Record<string, Answering>): Asked[] {
  const asked: Asked[] = [];
  globalThis.fetch = (async (address: string, init: RequestInit = {}) => {
    const path = address.replace(/^\/api/u, '');
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as Asked['body']) : {};
    asked.push({ path, body });
    const way = Object.keys(answers)
      .filter((a) => path.startsWith(a))
      .sort((a, b) => b.length - a.length)[0];
    const said =
      way !== undefined
        ? answers[way]?.({ path, body })
        : path === '/commands'
          ? { accepted: true }
          : undefined;
    if (said === undefined) return { ok: false, status: 404, json: async () => ({ error: 'Not here.' }) };
    const no = said as { refused?: string; status?: number };
    return no.refused === undefined
      ? { ok: true, status: 200, json: async () => said, arrayBuffer: async () => said }
      : { ok: false, status: no.status ?? 409, json: async () => ({ error: no.refused }) };
  }) as unknown as typeof fetch;
  useCourier.setState({ session: { token: 't' } as never, connected: true });
  return asked;
}

/** The commands among what was asked. */
export function commandsIn(asked: readonly Asked[]): Record<string, unknown>[] {
  return asked.filter((a) => a.path === '/commands').map(({ body: { id: _, by: __, ...rest } }) => rest);
}

export function sold(market: string, order: string, part: Partial<Sale> = {}): Sale {
  return { market, order, amount: 4_800, postage: 390, fees: 300, at: 1_000, knownAt: 1_100, ...part };
}

export function listed(market: string, part: Partial<CourierListingView> = {}): CourierListingView {
  return {
    market,
    state: 'live',
    want: 'live',
    doing: null,
    tries: 0,
    nextTryAt: null,
    trouble: null,
    remoteId: null,
    url: null,
    title: '',
    price: 4_800,
    category: '',
    postage: 0,
    reasons: [],
    since: 1,
    listedAt: 1,
    firstPrice: null,
    draftHash: '',
    edited: null,
    held: false,
    stopped: false,
    ...part,
  };
}

/** The courier tells this of an item. */
export function told(id: string, part: Partial<CourierItemView> = {}): void {
  const view: CourierItemView = {
    id,
    listings: [],
    sale: null,
    laterSales: [],
    pieceSales: [],
    pastSales: [],
    hold: null,
    closing: null,
    ...part,
  };
  useCourier.setState((s) => ({ items: { ...s.items, [id]: view } }));
}

/**
 * What the server answers to being asked what is shown of an item: as it would be sent now, except for some
 * of it.
 */
export function sentDraftsOf(
  id: string,
  part: Partial<ListingDraft> = {},
): { drafts: Record<string, ListingDraft> } {
  const item = useAttic.getState().items[id];
  const drafts = useCourier
    .getState()
    .sheets.map((sheet) => [
      sheet.marketplace,
      { ...looseDraft(examine(item!, sheet).effective, sheet), ...part },
    ]);
  return { drafts: Object.fromEntries(drafts) as Record<string, ListingDraft> };
}
