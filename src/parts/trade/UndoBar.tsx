import { useEffect } from 'react';
import { View } from 'react-native';

import { Button, SignButton } from '@/parts/ui/Button';
import { Text } from '@/parts/ui/Text';
import { dismissOffer, OFFER_TIME, useAttic } from '@/store/attic/attic';
import { takeBack } from '@/store/derived/takeBack';
import { useColours } from '@/theme/theme';

/** Offers to take back what went away, for a while, also after the page was loaded anew. */
export function UndoBar() {
  const c = useColours();
  const offer = useAttic((s) => s.offer);
  useEffect(() => {
    if (!offer) return;
    const timer = setTimeout(dismissOffer, Math.max(0, offer.at + OFFER_TIME - Date.now()));
    return () => clearTimeout(timer);
  }, [offer]);
  if (!offer) return null;
  return (
    <View
      role="status"
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        backgroundColor: c.ink,
        paddingLeft: 16,
        paddingRight: 4,
        minHeight: 52,
      }}
    >
      <Text style={{ color: c.ground, flex: 1 }}>{capital(offer.label)}.</Text>
      <Button
        variant="quiet"
        onPress={() => takeBack(offer)}
        style={{ backgroundColor: c.ground, minHeight: 44, borderRadius: 8 }}
      >
        Undo
      </Button>
      <SignButton icon="close" label="Dismiss" colour={c.ground} onPress={dismissOffer} />
    </View>
  );
}

export function capital(words: string): string {
  return words.charAt(0).toLocaleUpperCase('en') + words.slice(1);
}
