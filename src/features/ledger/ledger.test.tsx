import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';

import { useCourier } from '@/store/courier/courierLink';
import { fakeServer } from '@/testing/courier';
import '@/testing/patience';
import { emptyAttic } from '@/testing/world';

import { Ledger } from './Ledger';

jest.mock('expo-router', () => ({ useRouter: () => ({ navigate: () => undefined }) }));

const line = (seq: number) => ({
  seq,
  at: 1_000 + seq,
  type: 'news',
  market: null,
  item: null,
  words: `number ${seq}`,
});
const shown = () => screen.queryAllByText(/^number \d+$/u).map((e) => e.textContent);

it('is asked when it opens, when something happened, and for earlier lines when wanted', async () => {
  await emptyAttic();
  let newest = 5;
  const asked = fakeServer({
    '/ledger': ({ path }) =>
      path.includes('before')
        ? { lines: [line(2), line(1)], more: false }
        : { lines: [line(newest), line(3)], more: true },
  });
  render(<Ledger />);
  await screen.findByText('number 5');
  expect(asked.map((a) => a.path)).toEqual(['/ledger']);
  await userEvent.click(screen.getByRole('button', { name: 'Show earlier lines' }));
  await screen.findByText('number 1');
  expect(shown()).toEqual(['number 5', 'number 3', 'number 2', 'number 1']);
  expect(screen.queryByRole('button', { name: 'Show earlier lines' })).toBeNull();
  newest = 7;
  act(() => useCourier.setState((s) => ({ items: { ...s.items } })));
  await screen.findByText('number 7');
  expect(shown()).toEqual(['number 7', 'number 3', 'number 2', 'number 1']);
});
