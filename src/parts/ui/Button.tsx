import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View, type StyleProp, type ViewStyle } from 'react-native';

import { Icon, type IconName } from '@/theme/Icon';
import { FONT, useColours } from '@/theme/theme';

import { Text } from './Text';

export interface ButtonProps {
  /** A verb, in words. */
  children: string;
  onPress: () => void;
  variant?: 'main' | 'plain' | 'quiet' | 'trouble';
  icon?: IconName;
  disabled?: boolean;
  /** Where the words alone don't say which: "Withdraw from Threadwick". */
  label?: string;
  style?: StyleProp<ViewStyle>;
}

/** A button with words. At least 48 pixels high. */
export function Button({ children, onPress, variant = 'plain', icon, disabled, label, style }: ButtonProps) {
  const c = useColours();
  const look = {
    main: { back: c.moss, edge: c.moss, ink: c.onMoss },
    plain: { back: c.surface, edge: c.soft, ink: c.ink },
    quiet: { back: 'transparent', edge: 'transparent', ink: c.moss },
    trouble: { back: c.brickTint, edge: c.brick, ink: c.brick },
  }[variant];
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      style={({ pressed }) => [
        styles.button,
        { backgroundColor: look.back, borderColor: look.edge, opacity: disabled ? 0.45 : pressed ? 0.75 : 1 },
        variant === 'quiet' && styles.quiet,
        style,
      ]}
    >
      {icon ? <Icon name={icon} colour={look.ink} size={20} /> : null}
      <Text style={{ color: look.ink, fontFamily: FONT.strong, textAlign: 'center', flexShrink: 1 }}>
        {children}
      </Text>
    </Pressable>
  );
}

/** A button that is only a sign; its label is said aloud. 44 pixels each way. */
export function SignButton(props: {
  icon: IconName;
  label: string;
  onPress: () => void;
  disabled?: boolean;
  colour?: string;
}) {
  const c = useColours();
  return (
    <Pressable
      role="button"
      aria-label={props.label}
      aria-disabled={props.disabled}
      disabled={props.disabled}
      onPress={props.onPress}
      style={({ pressed }) => [styles.sign, { opacity: props.disabled ? 0.4 : pressed ? 0.6 : 1 }]}
    >
      <Icon name={props.icon} colour={props.colour ?? c.ink} />
    </Pressable>
  );
}

/** A light choice in a row of choices: one of several, or on and off. */
export function Chip(props: {
  children: string;
  on: boolean;
  onPress: () => void;
  role?: 'radio' | 'button' | 'checkbox';
  label?: string;
}) {
  const c = useColours();
  const role = props.role ?? 'radio';
  return (
    <Pressable
      role={role}
      aria-label={props.label}
      {...(role === 'button' ? { 'aria-pressed': props.on } : { 'aria-checked': props.on })}
      onPress={props.onPress}
      style={[
        styles.chip,
        { borderColor: props.on ? c.moss : c.line, backgroundColor: props.on ? c.mossTint : c.surface },
      ]}
    >
      {props.on ? <Icon name="check" colour={c.moss} size={16} /> : null}
      <Text
        variant="small"
        style={{ fontSize: 15, flexShrink: 1, fontFamily: props.on ? FONT.strong : FONT.text }}
      >
        {props.children}
      </Text>
    </Pressable>
  );
}

export function ChipRow({
  label,
  children,
  radio = true,
}: {
  label: string;
  children: ReactNode;
  radio?: boolean;
}) {
  return (
    <View role={radio ? 'radiogroup' : 'group'} aria-label={label} style={styles.row}>
      {children}
    </View>
  );
}

const styles = StyleSheet.create({
  button: {
    minHeight: 48,
    paddingHorizontal: 16,
    paddingVertical: 9,
    borderWidth: 1.5,
    borderRadius: 10,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'center',
    gap: 8,
  },
  // Alone under a row its words begin where the row's do.
  quiet: { paddingHorizontal: 4, justifyContent: 'flex-start' },
  sign: { width: 44, height: 44, alignItems: 'center', justifyContent: 'center', borderRadius: 22 },
  chip: {
    maxWidth: '100%',
    minHeight: 44,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 5,
    paddingHorizontal: 13,
    borderWidth: 1.5,
    borderRadius: 22,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
});
