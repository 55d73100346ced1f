import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

import { setSettings, useAttic } from '@/store/attic/attic';
import { fakeServer } from '@/testing/courier';
import { waitFor } from '@/testing/patience';
import { emptyAttic } from '@/testing/world';

import { FirstStart } from './FirstStart';

describe('a new attic', () => {
  const user = userEvent.setup();
  const settings = () => useAttic.getState().settings;
  beforeEach(async () => {
    await emptyAttic();
    setSettings({ begunAt: null });
  });
  it('asks who, in what, and where; what is left out is disconnected', async () => {
    const asked = fakeServer({ '/connections/': () => ({ milliseconds: null }) });
    render(<FirstStart />);
    await user.type(screen.getByRole('textbox', { name: 'Your name' }), 'Ysolde');
    await user.click(screen.getByRole('radio', { name: 'GBP' }));
    expect(screen.getByText(/sell in EUR: in GBP nothing can be sent to them/u)).toBeTruthy();
    await user.click(screen.getByRole('radio', { name: 'Inches, ounces' }));
    await user.click(screen.getByRole('checkbox', { name: 'Oldhollow' }));
    await user.click(screen.getByRole('button', { name: 'Begin' }));
    await waitFor(() => expect(settings().begunAt).not.toBeNull());
    expect(settings()).toMatchObject({ author: 'Ysolde', currency: 'GBP', units: 'imperial' });
    expect(asked.map(({ path, body }) => [path, body])).toEqual([
      ['/connections/oldhollow', { type: 'disconnect' }],
    ]);
  });
  it('that can’t be told where says why, and asks again', async () => {
    fakeServer({ '/connections/': () => ({ refused: 'The courier is busy.', status: 503 }) });
    render(<FirstStart />);
    await user.click(screen.getByRole('checkbox', { name: 'Oldhollow' }));
    await user.click(screen.getByRole('button', { name: 'Begin' }));
    await waitFor(() => expect(screen.getByRole('main').textContent).toContain('The courier is busy.'));
    expect(settings().begunAt).toBeNull();
  });
  it('asks nothing of whoever skips it, and changes nothing', async () => {
    const before = settings();
    render(<FirstStart />);
    await user.click(screen.getByRole('button', { name: 'Skip all of this' }));
    await waitFor(() => expect(settings().begunAt).not.toBeNull());
    expect(settings()).toEqual({ ...before, begunAt: settings().begunAt });
  });
});
