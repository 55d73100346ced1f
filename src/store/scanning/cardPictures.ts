import { useEffect } from 'react';
import { create } from 'zustand';

import { unlessExpected } from '@/store/base/faults';
import { ask } from '@/store/courier/courierLink';
import { pictureWorker } from '@/store/pictures/pictureWorker';

/** Pictures of the product look-up's cards, drawn anew and small, by their names; null: there is none. */
const useCardPictures = create<Record<string, string | null>>(() => ({}));

/** So many are kept for one page; the ones asked for first go. */
const MOST = 300;

/** The address of a card's picture; undefined while it is asked for, or where there is none. */
export function useCardPicture(name: string | null): string | undefined {
  const address = useCardPictures((all) => (name === null ? null : all[name]));
  useEffect(() => {
    if (name !== null && address === undefined) void fetchPicture(name);
  }, [name, address]);
  return address ?? undefined;
}

async function fetchPicture(name: string): Promise<void> {
  // Asked for once, whoever shows it.
  useCardPictures.setState({ [name]: null });
  try {
    const blob = await (await ask(`/lookup/pictures/${encodeURIComponent(name)}`)).blob();
    const seen = await pictureWorker().glance(blob);
    if (seen) keep(name, URL.createObjectURL(seen.small));
  } catch (error) {
    // A row without a picture is a row all the same.
    unlessExpected('the picture of a card')(error);
  }
}

function keep(name: string, address: string): void {
  useCardPictures.setState((all) => {
    const names = Object.keys(all).filter((one) => all[one] !== null);
    const [first] = names.length >= MOST ? names : [];
    if (first) URL.revokeObjectURL(all[first] ?? '');
    const { [first ?? '']: _, ...rest } = all;
    return { ...rest, [name]: address };
  }, true);
}
