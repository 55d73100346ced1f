import { useRef } from 'react';

import { useBarcode, useStream } from '@/parts/trade/camera';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';

/** A code that stays in view is one scan: only after so long out of it is it another, milliseconds. */
const GONE = 2_000;

/** The camera, open for one code after the other. */
export function ScanCamera({ onCode, onClose }: { onCode: (digits: string) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const trouble = useStream(video);
  const last = useRef({ digits: '', at: 0 });
  useBarcode(video, trouble === null, (digits) => {
    const now = performance.now();
    const isAnother = digits !== last.current.digits || now - last.current.at > GONE;
    last.current = { digits, at: now };
    if (isAnother) onCode(digits);
  });
  if (trouble) return <Notice tone="caution">{trouble}</Notice>;
  return (
    <>
      <video
        ref={video}
        autoPlay
        playsInline
        muted
        aria-label="What the camera sees"
        style={{ width: '100%', maxHeight: '34vh', borderRadius: 12, background: '#000', objectFit: 'cover' }}
      />
      <Button icon="close" onPress={onClose}>
        Close camera
      </Button>
    </>
  );
}
