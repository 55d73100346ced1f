import { useState } from 'react';
import { View } from 'react-native';
import { TextInput } from 'react-native-paper';

import { Button } from '@/parts/ui/Button';
import { useColours } from '@/theme/theme';

/**
 * For scanners that type, and for fingers: what was read is handed on with Enter, and the field is ready
 * again.
 */
export function ScanField({ label, onText }: { label: string; onText: (text: string) => void }) {
  const c = useColours();
  const [text, setText] = useState('');
  const done = () => {
    const read = text.trim();
    setText('');
    if (read !== '') onText(read);
  };
  return (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
      <TextInput
        mode="outlined"
        dense
        label={label}
        aria-label={label}
        value={text}
        maxLength={80}
        onChangeText={setText}
        onSubmitEditing={done}
        submitBehavior="submit"
        outlineColor={c.line}
        textColor={c.ink}
        style={{ flex: 1, backgroundColor: c.surface, minHeight: 48 }}
      />
      <Button disabled={text.trim() === ''} onPress={done}>
        Take it
      </Button>
    </View>
  );
}
