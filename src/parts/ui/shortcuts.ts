import { useEffect, useRef } from 'react';
import { create } from 'zustand';

export interface Shortcut {
  /** As `KeyboardEvent.key` says it: one letter, a figure, `?`, an arrow. */
  key: string;
  /** What it does, for the list of all of them. */
  words: string;
  /** Absent: what has the focus does it by itself, and it is only told of. */
  act?: () => void;
}

/** What keys do just now: of all pages and pieces that are open, the latest last. */
export const useShortcutList = create<{ lists: readonly (readonly Shortcut[])[] }>(() => ({ lists: [] }));

/** Put on what takes all keys without having the focus: a table with a cell that can be written in. */
export const TAKES_KEYS = { 'data-takes-keys': '' } as const;

/** Whether keys go into what the focus is in, or into what takes them all. */
function isTyping(target: EventTarget | null): boolean {
  if (document.querySelector('[data-takes-keys]')) return true;
  if (!(target instanceof HTMLElement)) return false;
  return target.isContentEditable || /^(?:INPUT|TEXTAREA|SELECT)$/u.test(target.tagName);
}

/** Keys that do something as long as this is shown. One that is typed into a field is only typed. */
export function useShortcuts(shortcuts: readonly Shortcut[]): void {
  const latest = useRef(shortcuts);
  useEffect(() => {
    latest.current = shortcuts;
  });
  const names = shortcuts.map(({ key, words }) => `${key} ${words}`).join('\n');
  useEffect(() => {
    const list = latest.current;
    useShortcutList.setState(({ lists }) => ({ lists: [...lists, list] }));
    return () => useShortcutList.setState(({ lists }) => ({ lists: lists.filter((l) => l !== list) }));
  }, [names]);
  useEffect(() => whenPressed((key) => latest.current.find((s) => s.key === key)), []);
}

/** A hand scanner types faster than fingers: from one key to the next, milliseconds. */
const FAST = 60;

/**
 * Does what a key stands for, unless it is one of a scanned code's: then others come right before or after.
 *
 * @returns stops
 */
function whenPressed(find: (key: string) => Shortcut | undefined): () => void {
  let last = -Infinity;
  let timer: ReturnType<typeof setTimeout> | null = null;
  const onKey = (event: KeyboardEvent) => {
    if (timer) clearTimeout(timer);
    timer = null;
    const alone = event.timeStamp - last > FAST;
    last = event.timeStamp;
    const act = alone && isFree(event) ? find(event.key)?.act : undefined;
    if (!act) return;
    event.preventDefault();
    timer = setTimeout(() => {
      timer = null;
      act();
    }, FAST);
  };
  document.addEventListener('keydown', onKey);
  return () => {
    if (timer) clearTimeout(timer);
    document.removeEventListener('keydown', onKey);
  };
}

/** Whether a key is meant for no field. One that takes codes from anywhere may have the focus only by now. */
function isFree(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return false;
  return !isTyping(event.target) && !isTyping(document.activeElement);
}
