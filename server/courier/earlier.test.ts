import { copyFileSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

import { Courier } from './courier';
import { Ledger } from './ledger';
import { Shop } from './shop.testing';

/* A ledger of earlier days opens with today's code, and tells the same. */

const FOLDER = join(__dirname, '../../fixtures/2026-11');
const MARKETS = ['brackenmoor', 'threadwick', 'nearstile', 'oldhollow', 'quirestack', 'lanternyard'];

function copied(): string {
  const file = join(mkdtempSync(join(tmpdir(), 'attic-earlier-')), 'ledger.db');
  copyFileSync(join(FOLDER, 'ledger.db'), file);
  return file;
}

/** Views as they were written down then, in today's names; a code says now what was a sentence. */
function viewsThen(): unknown {
  const text = readFileSync(join(FOLDER, 'views.json'), 'utf8');
  const { views } = JSON.parse(text.replaceAll('"draftPrint"', '"draftHash"'), (_, value: unknown) => {
    const { message } = (value ?? {}) as { message?: unknown };
    return message === 'It was found to be no longer shown there.'
      ? { field: '', message: '', code: 'notShownThere' }
      : value;
  }) as { views: unknown };
  return views;
}

it('every line is read, and every listing is known as it was', async () => {
  const ledger = await Ledger.open(copied());
  const courier = await Courier.open(
    ledger,
    MARKETS.map((id) => new Shop(id)),
    async () => new Uint8Array(),
  );
  expect(ledger.unread.size).toBe(0);
  const views = courier.views().map(({ view }) => view);
  // The number a marketplace knows a listing by, and its first price, were known then, too; views tell them
  // only since.
  const asThen = (key: string, value: unknown) =>
    key === 'remoteId' || key === 'firstPrice' ? undefined : value;
  expect(JSON.parse(JSON.stringify(views, asThen))).toEqual(viewsThen());
  const there = views.flatMap((v) => v.listings).filter((l) => l.url !== null);
  expect(there.length).toBeGreaterThan(0);
  expect(there.every((l) => l.remoteId !== null)).toBe(true);
  expect(courier.markets().find((m) => m.id === 'oldhollow')?.link).toBe('paused');
  courier.stop();
  ledger.close();
});

it('what it tells of one item is found, old lines and new', async () => {
  const file = copied();
  const ledger = await Ledger.open(file);
  const { lines } = await ledger.newest(Number.MAX_SAFE_INTEGER, 50, 'second');
  expect(lines.map((line) => line.event.type)).toContain('publishDispatched');
  const before = lines.length;
  const event = {
    type: 'command',
    command: { type: 'withdraw', id: 'new', item: 'second', market: 'threadwick' },
  } as const;
  await ledger.append([{ event, answer: { accepted: true } }], Date.now());
  expect((await ledger.newest(Number.MAX_SAFE_INTEGER, 50, 'second')).lines).toHaveLength(before + 1);
  // A command that was given then is not carried out again.
  expect(await ledger.answerTo('fx-sold')).toEqual({ accepted: true });
  expect((await ledger.sheet('brackenmoor'))?.fees.rules[0]?.type).toBe('share');
  ledger.close();
  const again = await Ledger.open(file);
  expect((await again.newest(Number.MAX_SAFE_INTEGER, 50, 'second')).lines).toHaveLength(before + 1);
  again.close();
});
