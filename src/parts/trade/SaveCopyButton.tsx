import { useState } from 'react';

import { counted } from '@/core/language/plural';
import { Button, type ButtonProps } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { unlessExpected } from '@/store/base/faults';
import { saveCopy } from '@/store/copies/saveCopy';

/** One press: all of the attic as a file to keep elsewhere. */
export function SaveCopyButton({ variant }: { variant?: ButtonProps['variant'] }) {
  const [busy, setBusy] = useState<string | null>(null);
  const [trouble, setTrouble] = useState(false);
  const save = async () => {
    setTrouble(false);
    setBusy('Copying …');
    try {
      await saveCopy((done, of) => setBusy(`Copying ${done} of ${counted(of, 'file')} …`));
    } catch (error) {
      unlessExpected('saving a copy')(error);
      setTrouble(true);
    }
    setBusy(null);
  };
  return (
    <>
      <Button variant={variant} icon="down" disabled={busy !== null} onPress={() => void save()}>
        {busy ?? 'Save a copy of the attic'}
      </Button>
      {trouble ? (
        <Notice tone="trouble">
          The copy could not be made: there may be no room for it. Nothing in the attic was changed.
        </Notice>
      ) : null}
    </>
  );
}
