import type { CourierEvent } from '@/core/courier/types';

import { readable, tableRows } from './ledgerLines';
import { saleAt, sendTo } from '../courier/shop.testing';

const at = Date.UTC(2026, 10, 20);
const lines = (event: CourierEvent, currency = 'EUR') => readable({ seq: 7, at, event }, currency);
const words = (event: CourierEvent, currency?: string) => lines(event, currency).map((l) => l.words);
const about = { market: 'moor', ref: 't.moor.1' };

it('tells what happened in words, one listing a line', () => {
  const news: CourierEvent = {
    type: 'news',
    market: 'moor',
    news: [saleAt('moor'), saleAt('wick', 2)],
    cursor: null,
  };
  expect(lines(news).map((l) => `${l.item} ${l.market} ${l.words}`)).toEqual([
    't moor sold for 48.00, order o-moor',
    't moor sold for 48.00, order o-wick',
  ]);
  // Amounts are whole units of a currency that has no smaller ones.
  expect(words(news, 'JPY')[0]).toBe('sold for 4800, order o-moor');
});

it.each<[CourierEvent, string]>([
  [{ type: 'command', command: sendTo('moor') }, 'asked to send it'],
  [{ type: 'publishDispatched', ...about }, 'sending it now'],
  [{ type: 'withdrawn', ...about }, 'withdrawn'],
  [{ type: 'absent', ...about }, 'nothing there to withdraw'],
  [
    {
      type: 'refused',
      ...about,
      action: 'publish',
      reasons: [
        { field: 'title', message: 'Too long.' },
        { field: 'pictures', message: '', code: 'pictureLost' },
      ],
    },
    'refused: Too long. A picture of it got lost on the server: send it again.',
  ],
  [
    {
      type: 'failed',
      ...about,
      action: 'withdraw',
      trouble: { code: 'noAnswer', params: {} },
      unclear: true,
      retryAfter: null,
    },
    'withdraw not answered: No answer in time.',
  ],
  // As a courier of an earlier version wrote it down.
  [
    { type: 'failed', ...about, action: 'publish', trouble: 'Closed.', unclear: false, retryAfter: null },
    'publish not answered: Closed.',
  ],
  [{ type: 'connection', market: 'moor', link: 'off' }, 'disconnected'],
])('%j: %s', (event, said) => expect(words(event)).toEqual([said]));

it('a row tells who asked and what the answer was, whichever version wrote it', () => {
  const row = (answer: object) =>
    tableRows(
      {
        seq: 7,
        at,
        event: { type: 'command', command: sendTo('moor') },
        answer: { accepted: false, ...answer },
      },
      'EUR',
    ).join('');
  expect(row({ refusal: 'soldSoNotSent' })).toContain('It is sold already, so it was not sent.');
  expect(row({ why: 'Not now.' })).toContain('Not now.');
  expect(row({ accepted: true })).toMatch(
    /2026-11-20T00:00:00.000Z,a person,command,t,moor,asked to send it,taken/u,
  );
});
