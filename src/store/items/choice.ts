import { create } from 'zustand';

/** Items that were chosen elsewhere to be changed together; null: none were. */
export const useHandedOver = create<{ ids: ReadonlySet<string> | null; why: string }>(() => ({
  ids: null,
  why: '',
}));

/** @param why what they are, for the list that shows them: "12 things over 180 days old" */
export function handOver(ids: readonly string[], why: string): void {
  useHandedOver.setState({ ids: new Set(ids), why });
}

export function letGo(): void {
  useHandedOver.setState({ ids: null, why: '' });
}
