import type { ReactNode } from 'react';
import { View } from 'react-native';

import { useColours, useWide } from '@/theme/theme';

/** What stays at the bottom of a place, in reach of a thumb. */
export function BottomBar({ label, children }: { label: string; children: ReactNode }) {
  const c = useColours();
  const wide = useWide();
  return (
    <View
      role="region"
      aria-label={label}
      style={{
        borderTopWidth: 1,
        borderColor: c.line,
        backgroundColor: c.surface,
        paddingHorizontal: wide ? 32 : 12,
        paddingVertical: 8,
        gap: 8,
      }}
    >
      {children}
    </View>
  );
}
