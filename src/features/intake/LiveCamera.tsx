import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { frameOf, useBarcode, useStream } from '@/parts/trade/camera';
import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { LONGEST_CLIP } from '@/store/pictures/clips';

export interface LiveCameraProps {
  onPicture: (file: File) => void;
  onClip: (file: File) => void;
  onBarcode: (digits: string, frame: Blob) => void;
  /** On to the next item; null while there is none to leave. */
  onNext: (() => void) | null;
  onClose: () => void;
}

/** The browser's camera, live: pictures as large as it gives, short clips, and barcodes. */
export function LiveCamera({ onPicture, onClip, onBarcode, onNext, onClose }: LiveCameraProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [ready, setReady] = useState(false);
  const [scanning, setScanning] = useState(false);
  const clip = useClip(onClip);
  const trouble = useStream(video);
  useBarcode(video, scanning, (digits, frame) => {
    setScanning(false);
    onBarcode(digits, frame);
  });

  if (trouble)
    return (
      <View style={{ gap: 8 }}>
        <Notice tone="caution">{trouble}</Notice>
        <Button onPress={onClose}>Use files instead</Button>
      </View>
    );
  return (
    <View style={{ gap: 10 }}>
      <video
        ref={video}
        autoPlay
        playsInline
        muted
        aria-label="What the camera sees"
        onLoadedData={() => setReady(true)}
        style={{ width: '100%', maxHeight: '44vh', borderRadius: 12, background: '#000', objectFit: 'cover' }}
      />
      {scanning ? (
        <Notice tone="info">
          Hold the barcode in front of the camera, so that it fills a third of the picture.
        </Notice>
      ) : null}
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button
          variant="main"
          icon="camera"
          disabled={!ready || clip.at !== 'off'}
          onPress={() => void frameOf(video.current, 0.92).then((blob) => blob && onPicture(asFile(blob)))}
          style={{ flex: 3, minHeight: 64 }}
        >
          Take the picture
        </Button>
        <Button
          disabled={onNext === null}
          onPress={() => onNext?.()}
          style={{ flex: 2, minHeight: 64, paddingHorizontal: 6 }}
        >
          Next item
        </Button>
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <ClipButton clip={clip} disabled={!ready} video={video} />
        <Button
          icon="barcode"
          disabled={!ready}
          label={scanning ? 'Stop looking for a barcode' : 'Read a barcode'}
          onPress={() => setScanning(!scanning)}
          style={{ flex: 1, paddingHorizontal: 8 }}
        >
          {scanning ? 'Stop' : 'Barcode'}
        </Button>
        <Button label="Close camera" icon="close" onPress={onClose} style={{ flex: 1, paddingHorizontal: 8 }}>
          Close
        </Button>
      </View>
    </View>
  );
}

function ClipButton(props: {
  clip: ReturnType<typeof useClip>;
  disabled: boolean;
  video: React.RefObject<HTMLVideoElement | null>;
}) {
  const { clip, disabled, video } = props;
  const isOn = typeof clip.at === 'number';
  const words = isOn ? `Stop ${clip.at} s` : clip.at === 'off' ? 'Clip' : 'Starts…';
  return (
    <Button
      icon={clip.at === 'off' ? 'film' : undefined}
      variant={isOn ? 'trouble' : 'plain'}
      disabled={disabled || clip.at === 'starting'}
      label={words}
      onPress={() => (isOn ? clip.stop() : clip.start(video.current))}
      style={{ flex: 1, paddingHorizontal: 8 }}
    >
      {words}
    </Button>
  );
}

/**
 * Off, or how many seconds were recorded so far. Until the first picture is encoded, which takes a slow phone
 * a second or two, there is nothing: stopped then, the clip would be empty.
 */
type ClipAt = 'off' | 'starting' | number;

/** Records without sound, since a voice may be private, and stops by itself. */
function useClip(onClip: (file: File) => void) {
  const recorder = useRef<MediaRecorder | null>(null);
  const began = useRef(0);
  const [at, setAt] = useState<ClipAt>('off');
  useEffect(() => {
    if (typeof at === 'string') return;
    if (at >= LONGEST_CLIP) {
      recorder.current?.stop();
      return;
    }
    // By the clock: on a busy device timers come late, and sixty of them would make too long a clip.
    const gone = performance.now() - began.current;
    const next = Math.max(at, Math.floor(gone / 1_000)) + 1;
    const timer = setTimeout(() => setAt(next), next * 1_000 - gone);
    return () => clearTimeout(timer);
  }, [at]);
  // Left open, it would go on recording behind the page.
  useEffect(() => () => recorder.current?.stop(), []);
  const start = (view: HTMLVideoElement | null) => {
    const stream = view?.srcObject;
    if (!(stream instanceof MediaStream)) return;
    const made = new MediaRecorder(new MediaStream(stream.getVideoTracks()), {
      videoBitsPerSecond: 2_500_000,
    });
    const parts: Blob[] = [];
    made.onstart = () => {
      began.current = performance.now();
      setAt(0);
    };
    made.ondataavailable = ({ data }) => parts.push(data);
    made.onstop = () => {
      recorder.current = null;
      setAt('off');
      if (parts.length > 0) onClip(new File(parts, 'clip', { type: made.mimeType }));
    };
    made.start(1_000);
    recorder.current = made;
    setAt('starting');
  };
  return { at, start, stop: () => recorder.current?.stop() };
}

function asFile(blob: Blob): File {
  return new File([blob], 'camera.jpg', { type: 'image/jpeg' });
}
