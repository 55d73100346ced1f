import { fireEvent } from '@testing-library/react';
import { useState } from 'react';

import { open, press, sees, settled } from '@/testing/page';

import { ListDetail } from './ListDetail';
import { useShortcutList } from './shortcuts';
import { Text } from './Text';

const LINES = ['Gansey', 'Lamp', 'Tray'].map((words) => ({ id: words, name: `Order of ${words}`, words }));
function Desk() {
  const [here, setHere] = useState<string | null>('Gansey');
  return (
    <ListDetail
      title="Sales"
      lines={LINES}
      here={here}
      onHere={setHere}
      above={<input aria-label="Search" />}
    >
      <Text>{`All about ${here ?? ''}`}</Text>
    </ListDetail>
  );
}
const current = () => document.querySelector('[aria-current]')?.getAttribute('aria-label');
const key = async (name: string, target: Element | null = document.activeElement) => {
  fireEvent.keyDown(target ?? document.body, { key: name });
  await settled();
};

beforeEach(async () => {
  await open(Desk, { wide: true });
  await press('Order of Gansey');
});

it('shows what is chosen beside the list', async () => {
  await press('Order of Tray');
  await sees('All about Tray');
  expect(current()).toBe('Order of Tray');
});

it('arrows go through the list, with the focus, and stop at its ends', async () => {
  await key('ArrowDown', document.querySelector('[aria-current]'));
  expect(current()).toBe('Order of Lamp');
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Order of Lamp');
  await key('ArrowDown');
  await key('ArrowDown');
  expect(current()).toBe('Order of Tray');
  await key('ArrowUp');
  expect(current()).toBe('Order of Lamp');
});

it('Enter goes on to what is chosen', async () => {
  await key('Enter', document.querySelector('[aria-current]'));
  expect(document.activeElement?.getAttribute('aria-label')).toBe('Order of Gansey');
  expect(document.activeElement?.getAttribute('role')).toBe('region');
});

it('keys in a field are only typed', async () => {
  await key('ArrowDown', document.querySelector('input'));
  expect(current()).toBe('Order of Gansey');
});

it('where nothing has the focus keys are the list’s; what they do is told of', async () => {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
  await key('ArrowDown', document.body);
  expect(current()).toBe('Order of Lamp');
  await key('Enter', document.querySelector('[aria-current]'));
  // In what is chosen arrows scroll.
  await key('ArrowDown');
  expect(current()).toBe('Order of Lamp');
  const told = useShortcutList.getState().lists.flat();
  expect(told.map((s) => s.key)).toEqual(['ArrowUp', 'ArrowDown', 'Enter']);
});
