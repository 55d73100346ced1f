import { Pressable, View } from 'react-native';

import { useColours } from '@/theme/theme';

/** On or off, with its name said aloud. 44 pixels high. */
export function Switch(props: { label: string; on: boolean; disabled?: boolean; onPress: () => void }) {
  const c = useColours();
  const { label, on, disabled, onPress } = props;
  return (
    <Pressable
      role="switch"
      aria-label={label}
      aria-checked={on}
      aria-disabled={disabled}
      disabled={disabled}
      onPress={onPress}
      style={{ width: 52, minHeight: 44, justifyContent: 'center', opacity: disabled ? 0.45 : 1 }}
    >
      <View
        style={{
          height: 26,
          borderRadius: 8,
          borderWidth: 2,
          borderColor: on ? c.moss : c.soft,
          backgroundColor: on ? c.moss : c.surface,
          padding: 3,
          alignItems: on ? 'flex-end' : 'flex-start',
        }}
      >
        <View style={{ width: 16, height: 16, borderRadius: 4, backgroundColor: on ? c.onMoss : c.soft }} />
      </View>
    </Pressable>
  );
}
