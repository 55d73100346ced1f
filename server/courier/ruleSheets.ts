import type { SheetsAnswer } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';

import type { Adapter } from './adapter';
import { troubleOf } from './carryOut';
import type { CourierLedger } from './ledger';
import type { Log } from '../faults/log';

/** The rule sheets as the marketplaces publish them; the last one kept where one is away. */
export class RuleSheets {
  private readonly sheets = new Map<string, RuleSheet>();

  constructor(
    private readonly adapters: ReadonlyMap<string, Adapter>,
    private readonly ledger: CourierLedger,
    private readonly log: Log,
  ) {}

  /** As it was read last; undefined: not yet. */
  known(market: string): RuleSheet | undefined {
    return this.sheets.get(market);
  }

  /** Tells apart two readings: another version of one of them gives another text. */
  versions(): string {
    return [...this.sheets.values()]
      .map((s) => `${s.marketplace}:${s.version}`)
      .sort()
      .join();
  }

  async read(): Promise<{ sheets: RuleSheet[]; missing: SheetsAnswer['missing'] }> {
    const sheets: RuleSheet[] = [];
    const missing: SheetsAnswer['missing'] = [];
    await Promise.all(
      [...this.adapters.values()].map(async (adapter) => {
        try {
          const sheet = await adapter.ruleSheet();
          this.sheets.set(adapter.id, sheet);
          // Kept for a day when it is away; without that nothing is missing today.
          await this.ledger
            .keepSheet(adapter.id, sheet)
            .catch((error: unknown) => this.log.fault('keeping a rule sheet', error));
          sheets.push(sheet);
        } catch (error) {
          const kept = await this.ledger.sheet(adapter.id);
          const why = troubleOf(error, this.log, { market: adapter.id });
          if (kept) sheets.push(kept);
          else missing.push({ market: adapter.id, name: adapter.name, why });
        }
      }),
    );
    const order = [...this.adapters.keys()];
    sheets.sort((a, b) => order.indexOf(a.marketplace) - order.indexOf(b.marketplace));
    return { sheets, missing };
  }
}
