import { useEffect, useRef, useState } from 'react';
import { View, type KeyboardTypeOptions, type TextInput as NativeInput } from 'react-native';
import { TextInput } from 'react-native-paper';

import { FIGURES, useColours } from '@/theme/theme';

import { Words } from './Words';

export interface FieldProps {
  label: string;
  value: string;
  /** Called while typing with what is to be kept; not called for text that `read` refuses. */
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
}

/**
 * One text field that saves by itself. While it has the focus it shows what is typed; otherwise what
 * is stored, so that a change from elsewhere is seen.
 */
export function Field(props: FieldProps) {
  const { label, value, onChange, refuse, multiline, unit, hint } = props;
  const c = useColours();
  const [typed, setTyped] = useState<string | null>(null);
  const refused = useRef(false);
  const input = useRef<NativeInput>(null);
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
          if (!refuse?.(text)) onChange(text);
        }}
        onBlur={() => {
          // A text that could not be kept stays to be put right.
          if (!refused.current) setTyped(null);
        }}
      />
      {why ? (
        <Words kind="small" tone="trouble" role="alert">
          {why}
        </Words>
      ) : hint ? (
        <Words kind="small" tone="soft">
          {hint}
        </Words>
      ) : null}
    </View>
  );
}
