import { useEffect, useRef, useState } from 'react';
import { View, type TextInput as Input } from 'react-native';
import { TextInput } from 'react-native-paper';

import { Button } from '@/parts/ui/Button';
import { useColours } from '@/theme/theme';

/**
 * For scanners that type, and for fingers: what was read is handed on with Enter, and the field is ready
 * again. A scanner needs no tap first: what is typed while no other field is being filled in goes here.
 */
export function ScanField({ label, onText }: { label: string; onText: (text: string) => void }) {
  const c = useColours();
  const [text, setText] = useState('');
  const field = useRef<Input>(null);
  useEffect(() => whenTypedAnywhere(() => field.current?.focus()), []);
  const done = (typed: string) => {
    const read = typed.trim();
    setText('');
    if (read !== '') onText(read);
  };
  return (
    <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
      <TextInput
        ref={field}
        mode="outlined"
        dense
        label={label}
        aria-label={label}
        value={text}
        maxLength={80}
        onChangeText={setText}
        onSubmitEditing={(event) => done(event.nativeEvent.text)}
        // What is typed next comes before a field that was left could be found again.
        blurOnSubmit={false}
        outlineColor={c.line}
        textColor={c.ink}
        style={{ flex: 1, backgroundColor: c.surface, minHeight: 48 }}
      />
      <Button disabled={text.trim() === ''} onPress={() => done(text)}>
        Take it
      </Button>
    </View>
  );
}

/** Tells, before the key is typed, that a letter or digit comes that is meant for no field. @returns stops */
function whenTypedAnywhere(tell: () => void): () => void {
  const onKey = (event: KeyboardEvent) => {
    const isCharacter = /^[^\s]$/u.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey;
    if (isCharacter && !isForTyping(document.activeElement)) tell();
  };
  document.addEventListener('keydown', onKey, true);
  return () => document.removeEventListener('keydown', onKey, true);
}

function isForTyping(element: Element | null): boolean {
  return element?.closest('input, textarea, select, [contenteditable=true]') != null;
}
