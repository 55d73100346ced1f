import type { CourierThingView } from '@/contract/courier';

/** How a thing stands at the marketplaces, as the courier says. */
export function standingOf(view: CourierThingView | undefined): 'unlisted' | 'listed' | 'sold' {
  if (view?.sale) return 'sold';
  const up = view?.listings.some((l) => l.want === 'live' || l.doing === 'withdraw') ?? false;
  return up ? 'listed' : 'unlisted';
}
