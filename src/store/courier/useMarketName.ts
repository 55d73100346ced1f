import { marketName, useCourier } from './courierLink';

/** The name of a marketplace by its id, drawn anew when it is heard. */
export function useMarketName(): (id: string) => string {
  const markets = useCourier((s) => s.markets);
  return (id) => marketName(id, markets);
}
