import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';

import type { SignState } from '@/core/listing/signState';
import { ListingSign } from '@/parts/trade/ListingSign';
import { MoneyField } from '@/parts/trade/MoneyField';
import { Chip, Button } from '@/parts/ui/Button';
import { waitFor } from '@/testing/patience';

function Price({ onKeep }: { onKeep: (n: number | null) => void }) {
  const [value, setValue] = useState<number | null>(2400);
  return (
    <MoneyField
      label="Price"
      value={value}
      currency="EUR"
      onChange={(n) => {
        setValue(n);
        onKeep(n);
      }}
    />
  );
}

it('keeps what is typed, shows why a slip can’t be kept, and leaves it to be put right', async () => {
  const kept: (number | null)[] = [];
  render(<Price onKeep={(n) => kept.push(n)} />);
  const field = screen.getByRole('textbox', { name: /Price/u }) as HTMLInputElement;
  expect(field.value).toBe('24.00');
  await userEvent.clear(field);
  await userEvent.type(field, '19,5x');
  expect(screen.getByRole('alert').textContent).toMatch(/digits only/);
  expect(field.value).toBe('19,5x');
  await waitFor(() => expect(kept.at(-1)).toBe(1950));
  await userEvent.type(field, '{Backspace}');
  expect(screen.queryByRole('alert')).toBeNull();
});

it('says each window aloud', () => {
  const states: SignState[] = [
    'notPlanned',
    'draft',
    'onItsWay',
    'live',
    'goingDown',
    'refused',
    'ended',
    'sold',
  ];
  render(
    <>
      {states.map((state) => (
        <ListingSign key={state} state={state} letters="Tw" label={`Threadwick: ${state}`} />
      ))}
    </>,
  );
  expect(screen.getAllByRole('img').map((w) => w.getAttribute('aria-label'))).toEqual(
    states.map((s) => `Threadwick: ${s}`),
  );
  // Shape carries the meaning: no two are drawn alike.
  const drawings = new Set(
    screen.getAllByRole('img').map((w) => w.querySelector('svg')?.innerHTML.replace(/w-\w+/gu, '')),
  );
  expect(drawings.size).toBe(states.length);
});

it('presses by keyboard and says what is chosen', async () => {
  const pressed = jest.fn();
  render(
    <>
      <Button onPress={pressed}>Send</Button>
      <Chip on onPress={pressed}>
        Navy
      </Chip>
    </>,
  );
  screen.getByRole('button', { name: 'Send' }).focus();
  await userEvent.keyboard('{Enter}');
  expect(pressed).toHaveBeenCalledTimes(1);
  expect(screen.getByRole('radio', { name: 'Navy' }).getAttribute('aria-checked')).toBe('true');
});
