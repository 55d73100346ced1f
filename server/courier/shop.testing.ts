import { ListingDraft, type Command } from '@/contract/courier';
import type { News } from '@/core/courier/types';

import { failed, type Adapter } from './adapter';

const DRAFT = ListingDraft.parse({
  title: 'Gansey',
  description: '',
  price: 4800,
  currency: 'EUR',
  postage: 420,
  category: 'c',
  condition: 'g',
  specifics: {},
  answers: {},
  pictures: [],
});

/** A marketplace in memory that counts what it was asked. */
export class Shop implements Adapter {
  readonly letters = 'Xx';
  readonly home = '/';
  readonly capabilities = { webhooks: true, review: false, pollEvery: 60_000 };
  readonly up = new Set<string>();
  calls: string[] = [];
  news: News[] = [];
  trouble: Error | null = null;

  constructor(
    readonly id: string,
    readonly name = id,
  ) {}
  ruleSheet(): Promise<never> {
    return Promise.reject(failed('closed', false));
  }
  async publish({ ref }: { ref: string }) {
    this.ask(`publish ${ref}`);
    this.up.add(ref);
    return { remoteId: ref, url: `/${ref}`, state: 'live' as const };
  }
  async revise() {
    return 'revised' as const;
  }
  async withdraw(ref: string) {
    this.ask(`withdraw ${ref}`);
    return this.up.delete(ref) ? ('withdrawn' as const) : ('absent' as const);
  }
  async lookUp() {
    return null;
  }
  history = async () => [];
  searchDemand = async () => [];
  async eventsSince(cursor: string | null) {
    const from = Number(cursor ?? 0);
    return { news: this.news.slice(from), cursor: String(this.news.length) };
  }
  private ask(what: string) {
    this.calls.push(what);
    if (this.trouble) throw this.trouble;
  }
}

/** A sale there, of the item `t`. */
export const saleAt = (market: string, at = 1): News => ({
  type: 'sale',
  ref: `t.${market}.1`,
  remoteId: 'r',
  order: `o-${market}`,
  amount: 4800,
  postage: 420,
  fees: 762,
  at,
});

/** The command that sends the item `t` there. */
export const sendTo = (market: string, id = `send-${market}`) =>
  ({ type: 'send', id, item: 't', market, draft: DRAFT }) satisfies Command;
