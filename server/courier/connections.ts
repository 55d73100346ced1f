import { z } from 'zod';

import type { LetInTrouble } from '@/contract/troubles';
import { CALL_LIMIT } from '@/core/courier/waiting';

import type { Ledger } from './ledger';

/** A code was not taken, or nobody answered. */
export class NotLetIn extends Error {
  constructor(readonly why: LetInTrouble) {
    super(why);
  }
}

/**
 * The tokens by which marketplaces let us in. They stay here: no page ever sees one. A person brings a code,
 * the marketplace gives a token for it.
 */
export class Connections {
  private constructor(
    private readonly ledger: Ledger,
    private readonly tokens: Map<string, string>,
    private readonly addressOf: (market: string) => string,
  ) {}

  /**
   * @param first makes the token a marketplace begins with
   * @param addressOf where a marketplace is
   */
  static async open(
    ledger: Ledger,
    markets: readonly string[],
    first: () => string,
    addressOf: (market: string) => string,
  ): Promise<Connections> {
    const tokens = new Map<string, string>();
    for (const market of markets) tokens.set(market, await ledger.keptOnce(`token.${market}`, first));
    return new Connections(ledger, tokens, addressOf);
  }

  token(market: string): string {
    return this.tokens.get(market) ?? '';
  }

  /** @throws NotLetIn */
  async letIn(market: string, code: string): Promise<void> {
    if (!this.tokens.has(market)) throw new NotLetIn('notNeeded');
    const response = await fetch(`${this.addressOf(market)}/access/token`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ code: code.trim() }),
      redirect: 'manual',
      signal: AbortSignal.timeout(CALL_LIMIT),
    }).catch(() => null); // No answer is told in words below.
    if (!response) throw new NotLetIn('noAnswer');
    if (response.status === 403) throw new NotLetIn('codeRefused');
    const body = z
      .object({ token: z.string().min(16).max(400) })
      // What is no JSON fits nothing.
      .safeParse(await response.json().catch(() => null));
    if (!response.ok || !body.success) throw new NotLetIn('notAsAgreed');
    await this.ledger.keep(`token.${market}`, body.data.token);
    this.tokens.set(market, body.data.token);
  }
}
