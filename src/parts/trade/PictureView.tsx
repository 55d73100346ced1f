import { View, type StyleProp, type ViewStyle } from 'react-native';

import { usePictureAddress } from '@/store/pictures/usePictureAddress';
import { Icon } from '@/theme/Icon';
import { useColours } from '@/theme/theme';

export interface PictureViewProps {
  id: string | undefined;
  /** What it shows, said aloud; empty when the words beside it say it already. */
  alt: string;
  size?: 'full' | 'thumb';
  style?: StyleProp<ViewStyle>;
  /** Show the whole picture instead of filling the frame. */
  whole?: boolean;
}

/** A stored picture, or a quiet frame where there is none yet. */
export function PictureView({ id, alt, size = 'thumb', style, whole }: PictureViewProps) {
  const c = useColours();
  const address = usePictureAddress(id, size);
  return (
    <View
      style={[
        {
          overflow: 'hidden',
          borderRadius: 8,
          backgroundColor: c.raised,
          alignItems: 'center',
          justifyContent: 'center',
        },
        style,
      ]}
    >
      {address ? (
        <img
          src={address}
          alt={alt}
          draggable={false}
          decoding="async"
          style={{ width: '100%', height: '100%', objectFit: whole ? 'contain' : 'cover' }}
        />
      ) : (
        <Icon name="pictures" colour={c.soft} size={26} />
      )}
    </View>
  );
}
