import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';

import { useColours, useWide } from '@/theme/theme';

/** The bar on top of a screen that is one step away from the main ones. */
export function HeadBar({ children }: { children: ReactNode }) {
  const c = useColours();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 6,
        padding: 8,
        borderBottomWidth: 1,
        borderColor: c.line,
        backgroundColor: c.surface,
      }}
    >
      {children}
    </View>
  );
}

/** What is worked on, large, with its tools below it; beside it on a wide screen. */
export function TwoParts({ label, large, small }: { label: string; large: ReactNode; small: ReactNode }) {
  const wide = useWide();
  return (
    <ScrollView
      style={{ flex: 1 }}
      contentContainerStyle={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column' }}
      tabIndex={0}
      aria-label={label}
    >
      <View style={wide ? { flex: 3, minWidth: 0 } : null}>{large}</View>
      <View style={wide ? { flex: 2, minWidth: 0 } : null}>{small}</View>
    </ScrollView>
  );
}
