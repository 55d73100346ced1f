import { useCourier } from './courierLink';

/** How many items wait to be sent, changed or taken down on a marketplace. */
export function useWaitingThere(market: string): number {
  return useCourier(
    (s) =>
      Object.values(s.items).filter((t) => t.listings.some((l) => l.market === market && l.doing !== null))
        .length,
  );
}
