import type { EditStep } from '@/contract/picture';

export interface History {
  steps: readonly EditStep[];
  undone: readonly EditStep[];
}

/** One more step: what was taken back before it can't be done again. */
export function done({ steps }: History, step: EditStep): { steps: EditStep[]; undone: EditStep[] } {
  return { steps: [...steps, step], undone: [] };
}

/** Takes the last step back. */
export function takenBack({ steps, undone }: History): { steps: EditStep[]; undone: EditStep[] } {
  const last = steps.at(-1);
  return last ? { steps: steps.slice(0, -1), undone: [...undone, last] } : { steps: [], undone: [...undone] };
}

/** Does again what was taken back last. */
export function doneAgain({ steps, undone }: History): { steps: EditStep[]; undone: EditStep[] } {
  const last = undone.at(-1);
  return last ? { steps: [...steps, last], undone: undone.slice(0, -1) } : { steps: [...steps], undone: [] };
}
