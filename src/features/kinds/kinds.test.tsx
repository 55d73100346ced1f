import { useAttic } from '@/store/attic/attic';
import { canPress, fill, open, press, sees } from '@/testing/page';
import { emptyAttic } from '@/testing/world';

import { Kinds } from './Kinds';

const specifics = () => Object.values(useAttic.getState().specifics);
beforeEach(() => emptyAttic());

it('a question of one’s own is asked from then on, changed, and left', async () => {
  await open(Kinds);
  await press('Ask something else');
  expect(canPress('Keep this question')).toBe(false);
  await fill('Question', 'Smell');
  await fill('Choices, with commas between', 'none, smoke, mothballs');
  await press('Keep this question');
  expect(specifics()).toMatchObject([{ label: 'Smell', choices: ['none', 'smoke', 'mothballs'] }]);
  await press('Change: Smell');
  await fill('Question', 'Smells of');
  await press('Private: never sent');
  await press('Keep this question');
  expect(specifics()).toMatchObject([{ label: 'Smells of', private: true }]);
});

it('a kind of one’s own lies where it was made, with the questions of its branch', async () => {
  await open(Kinds, { params: { at: 'clothes' } });
  await fill('Name of a new kind', 'Kilt');
  await press(/^Add/u);
  expect(Object.values(useAttic.getState().kinds)).toMatchObject([{ name: 'Kilt', parent: 'clothes' }]);
  await press('Kilt');
  await sees('Kilt');
});

it('what shows on the sheet is put in order, put away, and as before', async () => {
  await open(Kinds, { params: { at: 'jumper' } });
  await press('Change what shows on the sheet');
  // What is required can't be put away.
  const free = [...document.querySelectorAll<HTMLButtonElement>('button[aria-label$=" away"]')].filter(
    (b) => !b.disabled,
  );
  const name = /^Put (.*) away$/u.exec(free[0]?.getAttribute('aria-label') ?? '')?.[1] ?? '';
  await press(`Put ${name} away`);
  const form = () => Object.values(useAttic.getState().forms)[0];
  expect(form()?.hidden).toHaveLength(1);
  await press(`Show ${name}`);
  expect(form()?.hidden ?? []).toHaveLength(0);
  await press(/^Move .* down$/u);
  expect(form()?.order.length).toBeGreaterThan(0);
});
