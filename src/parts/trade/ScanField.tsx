import { useEffect, useRef, useState } from 'react';
import { View, type TextInput as Input } from 'react-native';
import { TextInput } from 'react-native-paper';

import { readBarcode } from '@/core/identity/gtin';
import { Button } from '@/parts/ui/Button';
import { useColours } from '@/theme/theme';

export interface ScanFieldProps {
  label: string;
  onText: (text: string) => void;
  /** A barcode that is scanned while another field is being filled in goes here, too. */
  always?: boolean;
}

/**
 * For scanners that type, and for fingers: what was read is handed on with Enter, and the field is ready
 * again. A scanner needs no tap first: what is typed while no other field is being filled in goes here.
 */
export function ScanField({ label, onText, always = false }: ScanFieldProps) {
  const c = useColours();
  const [text, setText] = useState('');
  const field = useRef<Input>(null);
  useEffect(() => whenTypedAnywhere(() => field.current?.focus()), []);
  const scanned = useRef(onText);
  useEffect(() => {
    scanned.current = onText;
  });
  useEffect(() => {
    if (!always) return;
    return whenScannedElsewhere(label, (read) => {
      field.current?.focus();
      scanned.current(read);
    });
  }, [always, label]);
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

/** Scanners type without a pause, and faster than fingers: from one key to the next, milliseconds. */
const PAUSE = 1_000;
const FAST = 50;
/** So many digits that end in the right one nobody types into a price or a name. */
const LONG = 12;

/**
 * Tells of a barcode that a scanner typed into a field that is not for it, and gives the field back what it
 * held before. @returns stops
 */
function whenScannedElsewhere(own: string, tell: (text: string) => void): () => void {
  let typed: { into: Typable; before: string; text: string; at: number; slowest: number } | null = null;
  const onKey = (event: KeyboardEvent) => {
    const into = document.activeElement;
    if (!isTypable(into) || into.getAttribute('aria-label') === own) return;
    const gap = typed?.into === into ? event.timeStamp - typed.at : Infinity;
    if (event.key.length === 1) {
      if (!typed || gap > PAUSE) typed = { into, before: into.value, text: '', at: 0, slowest: 0 };
      else typed.slowest = Math.max(typed.slowest, gap);
      typed.text += event.key;
      typed.at = event.timeStamp;
    } else if (event.key === 'Enter' && typed && gap <= PAUSE && isScanned(typed)) {
      event.preventDefault();
      event.stopPropagation();
      fill(into, typed.before);
      tell(typed.text);
      typed = null;
    }
  };
  document.addEventListener('keydown', onKey, true);
  return () => document.removeEventListener('keydown', onKey, true);
}

function isScanned({ text, slowest }: { text: string; slowest: number }): boolean {
  return readBarcode(text).ok && (text.length >= LONG || slowest <= FAST);
}

type Typable = HTMLInputElement | HTMLTextAreaElement;

function isTypable(element: Element | null): element is Typable {
  return element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement;
}

/** Puts a text into a field as if it had been typed. */
function fill(field: Typable, text: string): void {
  // What is set on the field itself the page takes for its own doing, and says nothing of it.
  Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

function isForTyping(element: Element | null): boolean {
  return element?.closest('input, textarea, select, [contenteditable=true]') != null;
}
