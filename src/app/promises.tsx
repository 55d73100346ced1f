import { Redirect } from 'expo-router';

/** An address kept from before holds were called so. */
export default function EarlierAddress() {
  return <Redirect href="/holds" />;
}
