import { Agent } from './agent';
import { dice } from '../standins/kit/dice';

/** What a buyer may do at a listing's page. */
export const DEEDS = ['look', 'ask', 'haggle', 'bid', 'buy'] as const;
export type Deed = (typeof DEEDS)[number];

/** Something a buyer did. */
export interface Done {
  deed: Deed;
  market: string;
  /** The listing's page. */
  path: string;
}

/** Of a hundred who come by, as shops of such goods know them: common practice, from memory. */
const OF_A_HUNDRED: Readonly<Record<Deed, number>> = { look: 68, ask: 12, haggle: 9, bid: 6, buy: 5 };

const NAMES = ['Imke', 'Perrin', 'Wilma', 'Tobias', 'Marit', 'Anselm', 'Greet', 'Jory', 'Sanne', 'Lowen'];
const QUESTIONS = [
  'Is it still to be had?',
  'Would you tell me its measurements, please?',
  'Are there any flaws I can’t see in the pictures?',
  'Could it be posted on Monday?',
  'Do you have more like it?',
];

/**
 * Buyers one after the other: each goes to a marketplace, opens a listing, and does one thing by what its
 * page offers. The same seed gives the same buyers; what they find is what is there.
 */
export class Buyers {
  private readonly next: () => number;

  constructor(
    private readonly agent: Agent,
    private readonly markets: readonly string[],
    seed: number,
  ) {
    this.next = dice(seed);
  }

  private one<T>(of: readonly T[]): T | undefined {
    return of[Math.floor(this.next() * of.length)];
  }

  private deed(): Deed {
    let left = this.next() * 100;
    for (const deed of DEEDS) {
      left -= OF_A_HUNDRED[deed];
      if (left < 0) return deed;
    }
    return 'look';
  }

  /** The next buyer comes and goes. @returns what was done; null: nothing is offered there, or it is shut */
  async come(): Promise<Done | null> {
    const market = this.one(this.markets);
    const deed = this.deed();
    if (market === undefined) return null;
    const front = await this.agent.open(`/${market}/`);
    const path = this.one(front?.links ?? []);
    const page = path === undefined ? null : await this.agent.open(path);
    if (!page || path === undefined) return null;
    const did = (await this.does(deed, page)) ? deed : 'look';
    return { deed: did, market, path };
  }

  private async does(deed: Deed, page: NonNullable<Awaited<ReturnType<Agent['open']>>>): Promise<boolean> {
    const who = this.one(NAMES) ?? '';
    const share = 0.8 + this.next() * 0.16;
    const words = this.one(QUESTIONS) ?? '';
    const to = (end: RegExp) => page.forms.find((action) => end.test(action));
    const offer = page.cents === null ? '' : (Math.round((page.cents * share) / 100) || 1).toFixed(2);
    switch (deed) {
      case 'look':
        return true;
      case 'ask':
      case 'haggle': {
        const talk = to(/\/talk-about\//u);
        const euros = deed === 'haggle' ? offer : '';
        return talk !== undefined && this.agent.send(talk, { who, words: euros ? '' : words, euros });
      }
      case 'bid': {
        const bid = to(/\/bid$/u);
        const more = page.cents === null ? '' : ((page.cents / 100) * (1 + this.next() * 0.1)).toFixed(2);
        return bid !== undefined && this.agent.send(bid, { who, euros: more });
      }
      case 'buy': {
        const buy = to(/\/(?:buy|take|order|basket)$/u);
        return buy !== undefined && this.agent.send(buy, {});
      }
    }
  }
}
