import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/parts/ui/Button';
import { Notice } from '@/parts/ui/Notice';
import { unlessExpected } from '@/store/base/faults';
import { LONGEST_CLIP } from '@/store/pictures/clips';
import { barcodeIn } from '@/store/pictures/reading';

export interface LiveCameraProps {
  onPicture: (file: File) => void;
  onClip: (file: File) => void;
  onBarcode: (digits: string, frame: Blob) => void;
  /** On to the next item; null while there is none to leave. */
  onNext: (() => void) | null;
  onClose: () => void;
}

/** How often a frame is looked at for a barcode, milliseconds. */
const LOOK = 350;

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
          disabled={!ready || clip.seconds !== null}
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

/** Shows what the camera sees as long as the screen is open; the words of what keeps it from that. */
function useStream(video: React.RefObject<HTMLVideoElement | null>): string | null {
  const [trouble, setTrouble] = useState<string | null>(null);
  useEffect(() => {
    let stream: MediaStream | null = null;
    let closed = false;
    navigator.mediaDevices
      .getUserMedia({
        video: { facingMode: 'environment', width: { ideal: 4_096 }, height: { ideal: 4_096 } },
      })
      .then((given) => {
        stream = given;
        if (closed) stop(given);
        else if (video.current) video.current.srcObject = given;
      })
      .catch((error: unknown) => setTrouble(cameraWords(error)));
    return () => {
      closed = true;
      if (stream) stop(stream);
    };
  }, [video]);
  return trouble;
}

function ClipButton(props: {
  clip: ReturnType<typeof useClip>;
  disabled: boolean;
  video: React.RefObject<HTMLVideoElement | null>;
}) {
  const { clip, disabled, video } = props;
  return (
    <Button
      icon={clip.seconds === null ? 'film' : undefined}
      variant={clip.seconds === null ? 'plain' : 'trouble'}
      disabled={disabled}
      label={clip.seconds === null ? 'Clip' : `Stop ${clip.seconds} s`}
      onPress={() => (clip.seconds === null ? clip.start(video.current) : clip.stop())}
      style={{ flex: 1, paddingHorizontal: 8 }}
    >
      {clip.seconds === null ? 'Clip' : `Stop ${clip.seconds} s`}
    </Button>
  );
}

/** Records without sound, since a voice may be private, and stops by itself. */
function useClip(onClip: (file: File) => void) {
  const recorder = useRef<MediaRecorder | null>(null);
  const began = useRef(0);
  const [seconds, setSeconds] = useState<number | null>(null);
  useEffect(() => {
    if (seconds === null) return;
    if (seconds >= LONGEST_CLIP) {
      recorder.current?.stop();
      return;
    }
    // By the clock: on a busy device timers come late, and sixty of them would make too long a clip.
    const gone = performance.now() - began.current;
    const next = Math.max(seconds, Math.floor(gone / 1_000)) + 1;
    const timer = setTimeout(() => setSeconds(next), next * 1_000 - gone);
    return () => clearTimeout(timer);
  }, [seconds]);
  // Left open, it would go on recording behind the page.
  useEffect(() => () => recorder.current?.stop(), []);
  const start = (view: HTMLVideoElement | null) => {
    const stream = view?.srcObject;
    if (!(stream instanceof MediaStream)) return;
    const made = new MediaRecorder(new MediaStream(stream.getVideoTracks()), {
      videoBitsPerSecond: 2_500_000,
    });
    const parts: Blob[] = [];
    made.ondataavailable = ({ data }) => parts.push(data);
    made.onstop = () => {
      recorder.current = null;
      setSeconds(null);
      if (parts.length > 0) onClip(new File(parts, 'clip', { type: made.mimeType }));
    };
    made.start(1_000);
    recorder.current = made;
    began.current = performance.now();
    setSeconds(0);
  };
  return { seconds, start, stop: () => recorder.current?.stop() };
}

function useBarcode(
  video: React.RefObject<HTMLVideoElement | null>,
  on: boolean,
  onFound: (digits: string, frame: Blob) => void,
) {
  const found = useRef(onFound);
  useEffect(() => {
    found.current = onFound;
  });
  useEffect(() => {
    if (!on) return;
    let looking = true;
    const look = async () => {
      while (looking) {
        const frame = await frameOf(video.current, 0.9);
        // One frame that could not be looked at is followed by the next.
        const code = frame && (await barcodeIn(frame, false).catch(nothingSeen));
        if (looking && frame && code) {
          looking = false;
          found.current(code.digits, frame);
          return;
        }
        await new Promise((done) => setTimeout(done, LOOK));
      }
    };
    void look();
    return () => {
      looking = false;
    };
  }, [on, video]);
}

function frameOf(view: HTMLVideoElement | null, quality: number): Promise<Blob | null> {
  if (!view || view.videoWidth === 0) return Promise.resolve(null);
  const canvas = document.createElement('canvas');
  canvas.width = view.videoWidth;
  canvas.height = view.videoHeight;
  canvas.getContext('2d')?.drawImage(view, 0, 0);
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', quality));
}

function asFile(blob: Blob): File {
  return new File([blob], 'camera.jpg', { type: 'image/jpeg' });
}

function stop(stream: MediaStream): void {
  for (const track of stream.getTracks()) track.stop();
}

function cameraWords(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser was not allowed to use the camera. Allow it in the browser’s settings, or use files.';
  if (name === 'NotFoundError') return 'There is no camera here. Use files instead.';
  return 'The camera could not be started. Use files instead.';
}

/** Whether this page may ask for a camera at all. */
export function hasLiveCamera(): boolean {
  return typeof navigator !== 'undefined' && !!navigator.mediaDevices?.getUserMedia;
}

function nothingSeen(error: unknown): null {
  unlessExpected('looking for a barcode')(error);
  return null;
}
