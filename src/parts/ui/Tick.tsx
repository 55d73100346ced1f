import { StyleSheet, View } from 'react-native';

import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

/** The box of a choice, ticked or not. What is chosen is said by the role around it. */
export function Tick({ on }: { on: boolean }) {
  const c = useColours();
  return (
    <View
      aria-hidden
      style={[
        styles.tick,
        { borderColor: on ? c.moss : c.soft, backgroundColor: on ? c.moss : 'transparent' },
      ]}
    >
      {on ? <Icon name="check" colour={c.onMoss} size={18} /> : null}
    </View>
  );
}

const styles = StyleSheet.create({
  tick: {
    width: 26,
    height: 26,
    borderWidth: 2,
    borderRadius: 7,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
