import { useState } from 'react';

import { Button, type ButtonProps } from './Button';

/** Puts words where the device pastes from, and says that it did, or that it could not. */
export function CopyButton(props: {
  /** What it is called aloud. */
  label: string;
  text: string;
  variant?: ButtonProps['variant'];
  children: string;
}) {
  const { label, text, variant = 'quiet', children } = props;
  const [done, setDone] = useState<{ text: string; copied: boolean } | null>(null);
  const copy = () =>
    void navigator.clipboard.writeText(text).then(
      () => setDone({ text, copied: true }),
      // Browsers may forbid it: then a person marks and copies the words themselves.
      () => setDone({ text, copied: false }),
    );
  return (
    <Button variant={variant} label={label} onPress={copy}>
      {done?.text !== text ? children : done.copied ? 'Copied' : 'Can’t copy here'}
    </Button>
  );
}
