import { useState } from 'react';
import { Modal, Pressable, View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { useShortcutList, useShortcuts, type Shortcut } from '@/parts/ui/shortcuts';
import { Text } from '@/parts/ui/Text';
import { FONT, useColours } from '@/theme/theme';

/** `?` shows what keys do here. */
export function Shortcuts({ places }: { places: readonly Shortcut[] }) {
  const [open, setOpen] = useState(false);
  useShortcuts([...places, { key: '?', words: 'What keys do here', act: () => setOpen(true) }]);
  return open ? <TheList onClose={() => setOpen(false)} /> : null;
}

/** Keys that are known by a sign. */
const SIGNS: Readonly<Record<string, string>> = { ArrowUp: '↑', ArrowDown: '↓' };

function TheList({ onClose }: { onClose: () => void }) {
  const c = useColours();
  const lists = useShortcutList((s) => s.lists);
  // Where two say the same key, the one that came last has it.
  const byKey = new Map(lists.flat().map((s) => [s.key, s.words]));
  return (
    <Modal visible transparent onRequestClose={onClose} aria-label="What keys do here">
      <Pressable
        onPress={onClose}
        aria-label="Close the list of keys"
        style={{
          flex: 1,
          backgroundColor: '#0007',
          alignItems: 'center',
          justifyContent: 'center',
          padding: 16,
        }}
      >
        <View
          style={{
            backgroundColor: c.surface,
            borderRadius: 14,
            padding: 20,
            gap: 12,
            width: 640,
            maxWidth: '100%',
          }}
        >
          <Text variant="heading">What keys do here</Text>
          <View role="list" aria-label="Keys" style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
            {[...byKey].map(([key, words]) => (
              <View
                key={key}
                role="listitem"
                style={{ width: '50%', flexDirection: 'row', alignItems: 'center', gap: 12, minHeight: 34 }}
              >
                <Text style={{ width: 48, textAlign: 'center', fontFamily: FONT.strong }}>
                  {SIGNS[key] ?? key}
                </Text>
                <Text style={{ flex: 1 }}>{words}</Text>
              </View>
            ))}
          </View>
          <Text variant="small" tone="soft">
            Arrows move in tables, Enter opens, Escape leaves.
          </Text>
          <Button onPress={onClose}>Close</Button>
        </View>
      </Pressable>
    </Modal>
  );
}
