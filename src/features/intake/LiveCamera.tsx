import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Notice } from '@/parts/Notice';
import { Press } from '@/parts/Press';

export interface LiveCameraProps {
  onPicture: (file: File) => void;
  onClose: () => void;
}

/** The browser's camera, live, with one large button. Pictures are taken as large as the camera gives. */
export function LiveCamera({ onPicture, onClose }: LiveCameraProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [ready, setReady] = useState(false);
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
  }, []);

  const take = () => {
    const view = video.current;
    if (!view || view.videoWidth === 0) return;
    const canvas = document.createElement('canvas');
    canvas.width = view.videoWidth;
    canvas.height = view.videoHeight;
    canvas.getContext('2d')?.drawImage(view, 0, 0);
    canvas.toBlob(
      (blob) => blob && onPicture(new File([blob], 'camera.jpg', { type: 'image/jpeg' })),
      'image/jpeg',
      0.92,
    );
  };

  if (trouble)
    return (
      <View style={{ gap: 8 }}>
        <Notice tone="caution">{trouble}</Notice>
        <Press onPress={onClose}>Use files instead</Press>
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
        style={{ width: '100%', maxHeight: '52vh', borderRadius: 12, background: '#000', objectFit: 'cover' }}
      />
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Press kind="main" icon="camera" disabled={!ready} onPress={take} style={{ flex: 1, minHeight: 60 }}>
          Take the picture
        </Press>
        <Press onPress={onClose}>Close camera</Press>
      </View>
    </View>
  );
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
