import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { View, type KeyboardTypeOptions, type TextInput as NativeInput } from 'react-native';
import { TextInput } from 'react-native-paper';
import { useDebouncedCallback } from 'use-debounce';

import { FIGURES, useColours } from '@/theme/theme';

import { Text } from './Text';

export interface FieldProps {
  label: string;
  value: string;
  /**
   * Called in pauses of the typing and on leaving, with what is to be kept; not for text that `refuse`
   * refuses.
   */
  onChange: (text: string) => void;
  /** Why a text can't be kept; null when it can. What was typed stays in the field. */
  refuse?: (text: string) => string | null;
  multiline?: boolean;
  keyboard?: KeyboardTypeOptions;
  /** Beside the field: "cm", "g". */
  unit?: string;
  placeholder?: string;
  /** Under the field, always. */
  hint?: string;
  figures?: boolean;
  maxLength?: number;
  disabled?: boolean;
  /** Ready for typing as soon as it is there. */
  autoFocus?: boolean;
  /** The return key was pressed; what was typed has been handed on. */
  onEnter?: () => void;
  /** How long a pause is before it is kept, milliseconds: every key would have the whole page drawn. */
  pause?: number;
}

/**
 * One text field that saves by itself. While it has the focus it shows what is typed; otherwise what
 * is stored, so that a change from elsewhere is seen.
 */
export function Field(props: FieldProps) {
  const { label, value, onChange, refuse, multiline, unit, hint, pause = 200 } = props;
  const c = useColours();
  const [typed, setTyped] = useState<string | null>(null);
  const refused = useRef(false);
  const input = useRef<NativeInput>(null);
  const keep = usePaused(onChange, pause);
  const why = typed !== null && refuse ? refuse(typed) : null;
  useEffect(() => {
    refused.current = why !== null;
  }, [why]);
  return (
    <View style={{ gap: 3 }}>
      <TextInput
        ref={input}
        mode="outlined"
        dense
        label={label}
        aria-label={unit ? `${label}, ${unit}` : label}
        value={typed ?? value}
        error={why !== null}
        disabled={props.disabled}
        autoFocus={props.autoFocus}
        multiline={multiline}
        numberOfLines={multiline ? 6 : 1}
        keyboardType={props.keyboard}
        placeholder={props.placeholder}
        maxLength={props.maxLength ?? 10_000}
        right={unit ? <TextInput.Affix text={unit} /> : undefined}
        outlineColor={c.line}
        textColor={c.ink}
        style={[{ backgroundColor: c.surface, minHeight: 48 }, props.figures && FIGURES]}
        onChangeText={(text) => {
          setTyped(text);
          keep.soon(refuse?.(text) ? null : text);
        }}
        onSubmitEditing={
          props.onEnter
            ? () => {
                keep.now();
                if (!refused.current) props.onEnter?.();
              }
            : undefined
        }
        submitBehavior={props.onEnter ? 'submit' : undefined}
        onBlur={() => {
          keep.now();
          // A text that could not be kept stays to be put right.
          if (!refused.current) setTyped(null);
        }}
      />
      {why ? (
        <Text variant="small" tone="trouble" role="alert">
          {why}
        </Text>
      ) : hint ? (
        <Text variant="small" tone="soft">
          {hint}
        </Text>
      ) : null}
    </View>
  );
}

/** Hands a text on after a pause; at once when asked to, and when the field goes away. */
function usePaused(
  onChange: (text: string) => void,
  pause: number,
): { soon: (text: string | null) => void; now: () => void } {
  const paused = useDebouncedCallback(onChange, pause);
  const now = paused.flush;
  const soon = useCallback(
    (text: string | null) => {
      // What can't be kept does not take back what was typed before it.
      if (text === null) return;
      paused(text);
      if (pause === 0) paused.flush();
    },
    [paused, pause],
  );
  useEffect(() => {
    // Before the attic stores what it has.
    window.addEventListener('pagehide', now, { capture: true });
    document.addEventListener('visibilitychange', now, { capture: true });
    return () => {
      window.removeEventListener('pagehide', now, { capture: true });
      document.removeEventListener('visibilitychange', now, { capture: true });
      now();
    };
  }, [now]);
  return useMemo(() => ({ soon, now: () => void now() }), [soon, now]);
}
