import { fireEvent } from '@testing-library/react';

import { canPress, open, press, sees } from '@/testing/page';

import { LiveCamera } from './LiveCamera';

/** A camera, and an encoder that takes its time until the first picture is encoded. */
class Stream {
  getVideoTracks = () => [];
  getTracks = () => [];
}
class SlowRecorder {
  static last: SlowRecorder;
  mimeType = 'video/webm';
  wrote = '';
  onstart = () => undefined;
  ondataavailable = (_: { data: Blob }) => undefined;
  onstop = () => undefined;
  start() {
    SlowRecorder.last = this;
  }
  encode(bytes: string) {
    this.wrote = bytes;
    this.onstart();
  }
  stop() {
    this.ondataavailable({ data: new Blob([this.wrote]) });
    this.onstop();
  }
}
const clips: File[] = [];
function Camera() {
  return (
    <LiveCamera
      onPicture={() => undefined}
      onClip={(clip) => clips.push(clip)}
      onBarcode={() => undefined}
      onNext={null}
      onClose={() => undefined}
    />
  );
}

beforeAll(() => {
  Object.assign(globalThis, { MediaStream: Stream, MediaRecorder: SlowRecorder });
  Object.assign(navigator, { mediaDevices: { getUserMedia: async () => new Stream() } });
});

it('a clip can be stopped once there is a picture in it, and counts from then on', async () => {
  await open(Camera);
  fireEvent.loadedData(document.querySelector('video')!);
  await press('Clip');
  await sees('Starts…');
  expect([canPress('Starts…'), canPress('Take the picture')]).toEqual([false, false]);
  SlowRecorder.last.encode('a clip');
  await press('Stop 0 s');
  await sees('Clip');
  expect(canPress('Take the picture')).toBe(true);
  expect(clips.map((clip) => clip.size)).toEqual([6]);
});
