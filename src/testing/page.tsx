import { act, cleanup, configure, fireEvent, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ComponentType } from 'react';

import { useCourier } from '@/store/courier/courierLink';
import { Theme } from '@/theme/theme';

import { fakeServer, type Asked } from './courier';
import { furnishDom } from './jsdom';
import { PATIENCE } from './patience';
import { setParams, went } from './router';

export interface PageOptions {
  /** What the address says. */
  params?: Record<string, string>;
  /** Nobody answers. */
  offline?: boolean;
  wide?: boolean;
  /** What the server answers, by the beginning of a path. */
  answers?: Parameters<typeof fakeServer>[0];
}

// Whether each of its parents is shown is the dearest question about an element; pages draw nothing that is
// hidden.
configure({ defaultHidden: true });

/** A page as it stands once what it asked for is there. @returns what it asked of the server, growing */
export async function open(
  Page: ComponentType,
  { params = {}, offline = false, wide = false, answers = {} }: PageOptions = {},
): Promise<Asked[]> {
  furnishDom(wide ? 1280 : 390, wide ? 800 : 844);
  setParams(params);
  went.length = 0;
  const asked = fakeServer(answers);
  if (offline) {
    globalThis.fetch = () => Promise.reject(new TypeError('Failed to fetch'));
    useCourier.setState({ connected: false });
  }
  render(
    <Theme>
      <Page />
    </Theme>,
  );
  await settled();
  return asked;
}

/** Answers, timers of a moment and what follows from them. */
export async function settled(ms = 30): Promise<void> {
  await act(() => new Promise((done) => setTimeout(done, ms)));
}

/** All that the page says, fields included. */
export function said(): string {
  const fields = [...document.querySelectorAll<HTMLInputElement>('input, textarea')].map((f) => f.value);
  return [document.body.textContent, ...fields].join('\n');
}

/** What can be pressed or filled in without anybody being able to say what it is. */
export function nameless(): string[] {
  return [...document.querySelectorAll('button, a, input, textarea, [role=img], [role=switch], [role=radio]')]
    .filter(
      (e) => !(e.getAttribute('aria-label') || e.getAttribute('aria-labelledby') || e.textContent?.trim()),
    )
    .map((e) => e.outerHTML.slice(0, 200));
}

/** What no sentence for a person has in it. */
export const SLIPS = /\b(?:undefined|NaN|Infinity|null)\b|\[object |Invalid Date/u;

const user = userEvent.setup({ delay: null, pointerEventsCheck: 0 });

/** What it is called aloud. */
const nameOf = (e: Element) => e.getAttribute('aria-label') ?? e.textContent ?? '';

/** @returns what is looked for, as soon as it is there @throws Error with these words, if it never comes */
async function once<T>(look: () => T | undefined, missing: () => string): Promise<T> {
  const until = performance.now() + PATIENCE;
  for (let found = look(); ; found = look()) {
    if (found !== undefined) return found;
    if (performance.now() > until) throw new Error(missing());
    await settled(50);
  }
}

const PRESSED = 'button, [role=button], [role=link], [role=radio], [role=switch], [role=checkbox]';

/** Presses what has this name, the first of them, once it is there. */
export async function press(name: string | RegExp): Promise<void> {
  const all = () => [...document.querySelectorAll(PRESSED)];
  const found = await once(
    () => all().find((e) => (typeof name === 'string' ? nameOf(e) === name : name.test(nameOf(e)))),
    () => `There is no “${name}” among: ${all().map(nameOf).join(' | ')}`,
  );
  await user.click(found);
  await settled();
}

/** Opens a section or a card of this name, where it is folded. */
export async function unfold(name: string): Promise<void> {
  const head = await once(
    () => [...document.querySelectorAll('[aria-expanded]')].find((e) => nameOf(e) === name),
    () => `There is nothing to unfold called “${name}”.`,
  );
  if (head.getAttribute('aria-expanded') === 'false') await user.click(head);
  await settled();
}

/** Whether something of this name can be pressed just now. */
export function canPress(name: string): boolean {
  const found = [...document.querySelectorAll('button')].find((e) => nameOf(e) === name);
  return found !== undefined && !found.disabled && found.getAttribute('aria-disabled') !== 'true';
}

/** The field whose name begins so, once it is there. */
export function field(label: string): Promise<HTMLInputElement> {
  return once(
    () =>
      document.querySelector<HTMLInputElement>(`:is(input, textarea)[aria-label^="${label}"]`) ?? undefined,
    () => `There is no field “${label}”.`,
  );
}

/** Writes into the field whose name begins so, in place of what is in it. */
export async function fill(label: string, text: string): Promise<void> {
  const there = await field(label);
  act(() => there.focus());
  fireEvent.change(there, { target: { value: text } });
  act(() => there.blur());
  await settled();
}

/** Waits until the page says this. */
export async function sees(words: string | RegExp): Promise<void> {
  await once(
    () => (typeof words === 'string' ? said().includes(words) : words.test(said())) || undefined,
    () => `The page never said “${words}”. It says:\n${said().slice(0, 1_500)}`,
  );
}

/** Types into the field whose name begins so and presses Enter, as a scanner does. */
export async function scan(label: string, text: string): Promise<void> {
  await user.click(await field(label));
  await user.keyboard(`${text}{Enter}`);
  await settled();
}

/** Chooses these files where files are chosen. */
export async function choose(...files: File[]): Promise<void> {
  const input = await once(
    () =>
      // Where there is a choice of what for, pictures are chosen for the item at hand.
      document.querySelector<HTMLInputElement>('input[aria-label="Choose pictures: files"]') ??
      [...document.querySelectorAll<HTMLInputElement>('input[type=file]')].at(-1),
    () => 'Files can’t be chosen here.',
  );
  Object.defineProperty(input, 'files', { configurable: true, value: files });
  act(() => void input.dispatchEvent(new Event('change', { bubbles: true })));
  await settled();
}

/** Leaves all pages, as going elsewhere or reloading does. */
export function leave(): void {
  cleanup();
}
