import { Redirect, useGlobalSearchParams, usePathname, type Href } from 'expo-router';

/** Addresses kept from before what is sold was called an item. */
export default function EarlierAddress() {
  const { rest: _, ...asked } = useGlobalSearchParams<Record<string, string>>();
  const query = new URLSearchParams(asked).toString();
  const path = usePathname().replace(/^\/thing/u, '/item');
  return <Redirect href={`${path}${query ? `?${query}` : ''}` as Href} />;
}
