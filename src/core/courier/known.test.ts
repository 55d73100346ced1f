import { unheard } from './known';

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
    { ...heard, caughtUp: false, connected: false },
    [well],
    [{ of: 'courier', since: null }],
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
