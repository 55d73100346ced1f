import { useRouter, type Href } from 'expo-router';

import { SignButton } from './Button';

/** Back to where one came from; to the page above when one came from nowhere. */
export function BackTo({ path }: { path: Href }) {
  const router = useRouter();
  return (
    <SignButton
      icon="back"
      label="Back"
      onPress={() => (router.canGoBack() ? router.back() : router.navigate(path))}
    />
  );
}
