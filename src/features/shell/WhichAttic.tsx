import { useEffect } from 'react';
import { View } from 'react-native';

import type { AtticSort } from '@/core/identity/atticSort';
import { Text } from '@/parts/ui/Text';
import { useAtticSort } from '@/store/derived/useAtticSort';
import { useColours } from '@/theme/theme';
import { ATTIC_TITLES } from '@/wording/attics';

const WORDS: Record<Exclude<AtticSort, 'own'>, string> = {
  demo: 'Demo attic: nothing here is real',
  trial: 'Trial attic: not your own',
};

/** Says on every page that this is not the person's own attic; the window's title says it, too. */
export function WhichAttic() {
  const c = useColours();
  const sort = useAtticSort();
  useEffect(() => {
    if (sort) document.title = ATTIC_TITLES[sort];
  }, [sort]);
  if (sort === null || sort === 'own') return null;
  return (
    <View
      role="note"
      style={{ backgroundColor: c.brassTint, borderBottomWidth: 1, borderColor: c.line, paddingVertical: 2 }}
    >
      <Text variant="small" style={{ color: c.brassInk, textAlign: 'center' }}>
        {WORDS[sort]}
      </Text>
    </View>
  );
}
