import { Redirect, useGlobalSearchParams, usePathname, type Href } from 'expo-router';

/** Addresses kept from before what is sold was called an item. */
export default function EarlierAddress() {
  const { rest: _, ...asked } = useGlobalSearchParams<Record<string, string>>();
  const query = new URLSearchParams(asked).toString();
  const path = usePathname().replace(/^\/thing/u, '/item');
  // Whatever was asked for: the router says so where there is no such page.
  return <Redirect href={`${path}${query ? `?${query}` : ''}` as Href} />;
}
