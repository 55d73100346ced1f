import fc from 'fast-check';

import { CourierItemView } from '@/contract/courier';

import { letGo, unheard } from './known';

const well = {
  name: 'Nearstile',
  health: 'well',
  link: 'connected',
  locked: false,
  byHand: false,
  silentSince: null,
} as const;
const heard = { connected: true, caughtUp: true, heardAt: 50 };

it.each([
  ['everything was asked and answered', heard, [well], []],
  [
    'the courier has told nothing yet',
    { connected: false, caughtUp: false, heardAt: null },
    [well],
    [{ of: 'courier', since: null }],
  ],
  [
    'the courier has told nothing yet, but had told another page',
    { ...heard, caughtUp: false },
    [well],
    [{ of: 'courier', since: 50 }],
  ],
  [
    'the courier is gone',
    { ...heard, connected: false },
    [{ ...well, health: 'away' as const }],
    [{ of: 'courier', since: 50 }],
  ],
  [
    'one does not answer',
    heard,
    [well, { ...well, health: 'away' as const, silentSince: 40 }],
    [{ of: 'market', name: 'Nearstile', lockedOut: false, since: 40 }],
  ],
  [
    'one does not let us in',
    heard,
    [{ ...well, locked: true, silentSince: 30 }],
    [{ of: 'market', name: 'Nearstile', lockedOut: true, since: 30 }],
  ],
  [
    'one is not connected, by choice, and one is done by hand',
    heard,
    [
      { ...well, link: 'off' as const, health: 'away' as const },
      { ...well, byHand: true, locked: true },
    ],
    [],
  ],
])('where %s', (_, hearing, markets, expected) => expect(unheard(hearing, markets)).toEqual(expected));

describe('letting an item go', () => {
  const view = (want: 'live' | 'gone', doing: 'publish' | 'withdraw' | null = null) =>
    CourierItemView.parse({
      id: 'x',
      listings: [
        {
          ...{ market: 'nearstile', state: 'live', want, doing, tries: 0, nextTryAt: null, trouble: null },
          ...{ url: null, title: '', price: 1, category: '', postage: 0, reasons: [], since: 1 },
          ...{ listedAt: 1, draftHash: '' },
        },
      ],
      ...{ sale: null, laterSales: [], closing: null },
    });
  const away = { connected: false, caughtUp: false, heardAt: 50 };
  it.each([
    ['free where the courier says it is nowhere', heard, undefined, true, 'free'],
    ['free where it came down, and the courier says so', heard, view('gone'), false, 'free'],
    ['listed where it is up', heard, view('live'), true, 'listed'],
    ['listed while it is coming down', heard, view('gone', 'withdraw'), true, 'listed'],
    ['listed where it was up when the courier was last heard', away, view('live'), true, 'listed'],
    [
      'not known where it had come down then, since it may be up again',
      away,
      view('gone'),
      false,
      'notKnown',
    ],
    ['not known where it was to go up, and nobody said whether it did', away, undefined, true, 'notKnown'],
    ['not known where nothing was ever heard', { ...away, heardAt: null }, undefined, false, 'notKnown'],
    ['free where it was never meant for any marketplace', away, undefined, false, 'free'],
  ] as const)('is %s', (_, hearing, known, isPlanned, expected) =>
    expect(letGo(hearing, known, isPlanned)).toBe(expected),
  );
  it('is never freer for hearing less', () =>
    fc.assert(
      fc.property(
        fc.option(fc.constantFrom(view('live'), view('gone'), view('gone', 'withdraw')), { nil: undefined }),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        fc.option(fc.nat(), { nil: null }),
        (known, isPlanned, connected, caughtUp, heardAt) => {
          const less = letGo({ connected, caughtUp, heardAt }, known, isPlanned);
          if (less === 'free') expect(letGo(heard, known, isPlanned)).toBe('free');
        },
      ),
    ));
});
