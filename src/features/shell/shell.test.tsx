import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

import { openAttic, useAttic } from '@/store/attic/attic';
import { useFaults } from '@/store/base/faults';
import { useCourier } from '@/store/courier/courierLink';
import { useRelearned } from '@/store/courier/relearn';
import { useKeeping, useOpening } from '@/store/services/opening';
import { waitFor } from '@/testing/patience';

import { ChooseAttic } from './ChooseAttic';
import { ScreenGuard } from './ScreenGuard';
import { Warnings } from './Warnings';
import { WhichAttic } from './WhichAttic';

jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: () => undefined }) }));

beforeEach(() => {
  useAttic.setState({ saveTrouble: null, quarantine: [], conflicts: [] });
  useCourier.setState({ connected: true, health: null, misfits: {}, otherAttic: false });
  useFaults.setState({ last: null, count: 0 });
  useKeeping.setState({ how: 'blobs', passing: false });
  useRelearned.setState({ now: null });
});
const said = () => screen.queryByRole('region', { name: 'Warnings' })?.textContent ?? '';

describe('what a person has to know on every page', () => {
  it('is nothing on an ordinary day', () => {
    render(<Warnings />);
    expect(said()).toBe('');
  });
  it('is first of all that sales are not being closed', () => {
    useAttic.setState({ saveTrouble: 'This device has no room left.' });
    useCourier.setState({ health: { cannotWrite: 'full', since: 1, unreadLines: 0 } });
    render(<Warnings />);
    expect(said()).toMatch(/^The courier cannot write: the disk is full, sales are not being closed\./u);
    expect(said()).toContain('This device has no room left.');
  });
  it.each([
    [() => useCourier.setState({ otherAttic: true }), 'works for another attic now'],
    [
      () => useCourier.setState({ misfits: { a: 'x', b: 'y' } }),
      'told of 2 items in a way this page does not understand',
    ],
    [
      () => useCourier.setState({ health: { cannotWrite: null, since: null, unreadLines: 1 } }),
      '1 line of the courier’s ledger could not be read',
    ],
    [
      () => useKeeping.setState({ how: 'bytes', passing: true }),
      'A private window: all of this goes when you close it',
    ],
    [() => useKeeping.setState({ how: 'memory', passing: true }), 'This browser keeps nothing'],
    [
      () => useRelearned.setState({ now: { done: true, listings: 3, missing: ['Threadwick'], byHand: 1 } }),
      'looks after 3 listings of this attic again. Threadwick could not be asked: compare later. 1 ' +
        'item may hang where nobody but you can look.',
    ],
    [
      () => useAttic.setState({ quarantine: [{ collection: 'journal', key: 'journal', why: '' }] }),
      'One record could not be read',
    ],
  ])('%#: it is said in words', (happens, words) => {
    act(happens);
    render(<Warnings />);
    expect(said()).toContain(words);
  });
  it('that something went wrong is said once, and put away', async () => {
    useFaults.setState({ last: { doing: 'reading messages', at: 1 }, count: 3 });
    render(<Warnings />);
    expect(said()).toContain(
      'Something went wrong while reading messages, and 2 more times. What you did is kept.',
    );
    await userEvent.click(screen.getByRole('button', { name: 'All right' }));
    expect(said()).toBe('');
  });
  it('of two pages that set the same says whose stands, and lets the other be taken', async () => {
    await openAttic('shell');
    useAttic.setState({
      conflicts: [{ collection: 'items', id: 't', field: 'price', mine: 2, theirs: 3, kept: 'mine' }],
    });
    render(<Warnings />);
    expect(said()).toContain('Yours is kept, there too.');
    await userEvent.click(screen.getByRole('button', { name: 'Take theirs' }));
    expect(said()).toBe('');
  });
});

describe('a screen that can’t be drawn', () => {
  let complained: jest.SpyInstance;
  beforeEach(() => {
    complained = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  });
  afterEach(() => complained.mockRestore());
  let broken = true;
  const Screen = () => {
    if (broken) throw new Error('Cannot read properties of undefined');
    return <p>Drawn</p>;
  };

  it('says what was kept, is written down, and leaves the rest alone', async () => {
    broken = true;
    const left: string[] = [];
    const { rerender } = render(
      <ScreenGuard screen="/stock" onLeave={() => left.push('left')}>
        <Screen />
      </ScreenGuard>,
    );
    expect(screen.getByRole('main').textContent).toContain('Everything you did is kept');
    expect(screen.getByRole('main').textContent).not.toContain('undefined');
    expect(useFaults.getState().last?.doing).toBe('showing this screen');
    await userEvent.click(screen.getByRole('button', { name: 'Go to Today' }));
    expect(left).toEqual(['left']);
    broken = false;
    await userEvent.click(screen.getByRole('button', { name: 'Try again' }));
    expect(screen.getByText('Drawn')).toBeTruthy();
    rerender(<p>gone</p>);
  });
  it('does not keep another one from being drawn', () => {
    broken = true;
    const guarded = (path: string, inside: React.ReactNode) => (
      <ScreenGuard screen={path} onLeave={() => undefined}>
        {inside}
      </ScreenGuard>
    );
    const { rerender } = render(guarded('/stock', <Screen />));
    rerender(guarded('/sales', <p>Sales</p>));
    expect(screen.getByText('Sales')).toBeTruthy();
  });
});

describe('a courier that can’t be reached', () => {
  it('is told with the time it was last heard, at once where the page opened without it', async () => {
    useOpening.setState({ now: { stage: 'open', attic: 'own-1' } });
    const heardAt = Date.now() - 20 * 60_000;
    useCourier.setState({ connected: false, session: null, heardAt });
    render(<Warnings />);
    await waitFor(() => expect(said()).toContain('shown as they were 20 minutes ago'));
    act(() => useCourier.setState({ heardAt: null }));
    expect(said()).toContain('It was never heard in this browser');
    act(() => useCourier.setState({ connected: true }));
    await waitFor(() => expect(said()).toBe(''));
    useOpening.setState({ now: { stage: 'opening' } });
  });
});

describe('which attic it is', () => {
  it.each([
    ['demo-1', 'Demo attic: nothing here is real', 'Yonder Attic, demo'],
    ['trial-1', 'Trial attic: not your own', 'Yonder Attic, trial'],
  ])('%s says so on every page', (attic, words, title) => {
    useCourier.setState({ attic });
    render(<WhichAttic />);
    expect(screen.getByRole('note').textContent).toBe(words);
    expect(document.title).toBe(title);
  });
  it('one’s own needs no note', () => {
    useCourier.setState({ attic: 'own-1' });
    render(<WhichAttic />);
    expect(screen.queryByRole('note')).toBeNull();
    expect(document.title).toBe('Yonder Attic');
  });
});

describe('an attic that the courier does not know', () => {
  const session = {
    token: 'x'.repeat(20),
    attic: 'own-new',
    demo: false,
    currency: 'EUR',
    earlierLedger: null,
  };
  it('is offered first where this browser had it open; others and a copy after it', () => {
    const found = [
      { name: 'own-other', items: 7, changedAt: 9 },
      { name: 'own-mine', items: 3, changedAt: 5 },
    ];
    render(<ChooseAttic session={session} remembered="own-mine" found={found} />);
    const buttons = screen.getAllByRole('button').map((b) => b.getAttribute('aria-label') ?? b.textContent);
    expect(buttons).toEqual([
      'Go on with the attic with 3 items',
      'Go on with the attic with 7 items',
      'Read a copy from a file',
      'Begin a new, empty attic',
    ]);
    expect(screen.getByRole('main').textContent).toContain('its ledger is new');
  });
  it('and the one it works for is here, too: both are offered', () => {
    const found = [
      { name: 'own-mine', items: 3, changedAt: 5 },
      { name: 'own-new', items: 1, changedAt: 9 },
    ];
    render(<ChooseAttic session={session} remembered="own-mine" found={found} />);
    expect(screen.getByRole('button', { name: 'Open that one' })).toBeTruthy();
    expect(screen.queryByText('Begin a new, empty attic')).toBeNull();
  });
  it('and an earlier ledger that is kept is told of', () => {
    render(
      <ChooseAttic
        session={{ ...session, earlierLedger: 1_760_000_000_000 }}
        remembered="a"
        found={[{ name: 'a', items: 1, changedAt: 0 }]}
      />,
    );
    expect(screen.getByRole('main').textContent).toContain('start it with --restore');
  });
});
