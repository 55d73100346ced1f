import { useRef } from 'react';
import { View } from 'react-native';

import type { IconName } from '@/theme/Icon';

import { Button, type ButtonProps } from './Button';

export interface FileButtonProps {
  children: string;
  /** What kinds of file: `image/*`. */
  accept: string;
  /** Ask a phone for its camera instead of its files. */
  camera?: boolean;
  /** A whole folder, with all that lies in it. */
  folder?: boolean;
  variant?: ButtonProps['variant'];
  icon?: IconName;
  disabled?: boolean;
  onFiles: (files: File[]) => void;
}

/** Whether this browser lets a person choose a folder to read from. */
export function canReadFolder(): boolean {
  return 'webkitdirectory' in HTMLInputElement.prototype;
}

/** A button that asks for files. Choosing the same file again works too. */
export function FileButton(props: FileButtonProps) {
  const { children, accept, camera, folder, variant, icon, disabled, onFiles } = props;
  const input = useRef<HTMLInputElement>(null);
  return (
    <View style={{ flexGrow: 1 }}>
      <input
        ref={input}
        type="file"
        multiple={!camera}
        accept={accept}
        {...(camera ? { capture: 'environment' as const } : {})}
        {...(folder ? { webkitdirectory: '' } : {})}
        aria-label={`${children}: files`}
        tabIndex={-1}
        style={{ display: 'none' }}
        onChange={(event) => {
          const files = [...(event.target.files ?? [])];
          event.target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
      <Button variant={variant} icon={icon} disabled={disabled} onPress={() => input.current?.click()}>
        {children}
      </Button>
    </View>
  );
}
