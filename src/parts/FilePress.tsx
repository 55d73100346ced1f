import { useRef } from 'react';
import { View } from 'react-native';

import type { IconName } from './Icon';
import { Press, type PressProps } from './Press';

export interface FilePressProps {
  children: string;
  /** What kinds of file: `image/*`. */
  accept: string;
  /** Ask a phone for its camera instead of its files. */
  camera?: boolean;
  kind?: PressProps['kind'];
  icon?: IconName;
  disabled?: boolean;
  onFiles: (files: File[]) => void;
}

/** A button that asks for files. Choosing the same file again works too. */
export function FilePress({ children, accept, camera, kind, icon, disabled, onFiles }: FilePressProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <View style={{ flexGrow: 1 }}>
      <input
        ref={input}
        type="file"
        multiple={!camera}
        accept={accept}
        {...(camera ? { capture: 'environment' as const } : {})}
        aria-label={`${children}: files`}
        tabIndex={-1}
        style={{ display: 'none' }}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
      <Press kind={kind} icon={icon} disabled={disabled} onPress={() => input.current?.click()}>
        {children}
      </Press>
    </View>
  );
}
