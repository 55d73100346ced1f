import { stream } from 'hono/streaming';

import { RecordId } from '@/contract/common';
import type { LedgerAnswer, SessionAnswer } from '@/contract/courier';

import type { Api } from './asking';
import { readable, TABLE_HEAD, tableRows } from './ledgerLines';
import type { Ledger } from '../courier/ledger';

/** The ledger to look at, a page at a time or whole as a table. */
export function ledgerRoutes(app: Api, ledger: Ledger, session: () => SessionAnswer): void {
  app.get('/ledger', async (c) => {
    const before = Number(c.req.query('before') ?? Number.MAX_SAFE_INTEGER);
    const item = RecordId.safeParse(c.req.query('item'));
    const { lines, more } = await ledger.newest(
      Number.isInteger(before) ? before : Number.MAX_SAFE_INTEGER,
      100,
      item.success ? item.data : null,
    );
    const { currency } = session();
    return c.json({
      lines: lines.flatMap((line) => readable(line, currency)),
      more,
    } satisfies LedgerAnswer);
  });

  /** The whole ledger as a table: every line, who and what, when, and the answer. */
  app.get('/ledger/file', (c) => {
    c.header('Content-Type', 'text/csv; charset=utf-8');
    const { currency } = session();
    return stream(c, async (out) => {
      await out.write(TABLE_HEAD);
      for await (const line of ledger.read())
        for (const row of tableRows(line, currency)) await out.write(row);
    });
  });
}
