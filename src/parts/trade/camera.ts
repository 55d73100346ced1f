import { useEffect, useRef, useState } from 'react';

import { unlessExpected } from '@/store/base/faults';
import { barcodeIn } from '@/store/pictures/reading';

/** How often a frame is looked at for a barcode, milliseconds. */
const LOOK = 350;

/** Shows what the camera sees as long as the screen is open; the words of what keeps it from that. */
export function useStream(video: React.RefObject<HTMLVideoElement | null>): string | null {
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

/** Looks for barcodes as long as it is on; it is told of each that it finds, and the frame it was in. */
export function useBarcode(
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
        if (looking && frame && code) found.current(code.digits, frame);
        await new Promise((done) => setTimeout(done, LOOK));
      }
    };
    void look();
    return () => {
      looking = false;
    };
  }, [on, video]);
}

/** What is seen just now, as a picture. */
export function frameOf(view: HTMLVideoElement | null, quality: number): Promise<Blob | null> {
  if (!view || view.videoWidth === 0) return Promise.resolve(null);
  const canvas = document.createElement('canvas');
  canvas.width = view.videoWidth;
  canvas.height = view.videoHeight;
  canvas.getContext('2d')?.drawImage(view, 0, 0);
  return new Promise((done) => canvas.toBlob(done, 'image/jpeg', quality));
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
