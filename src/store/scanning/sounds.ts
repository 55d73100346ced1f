import { PAUSE, SOUNDS, type Signal } from '@/core/scanning/signals';
import { useAttic } from '@/store/attic/attic';
import { unlessExpected } from '@/store/base/faults';
import { once } from '@/store/base/once';

const speaker = once(() => new AudioContext());

/** How loud, 0 to 1: heard across a table. */
const LOUD = 0.2;

/** Lets a signal be heard, and felt where the device can; silent where the person wants no sounds. */
export function sound(signal: Signal): void {
  if (!useAttic.getState().settings.sounds) return;
  const sounds = SOUNDS[signal];
  if (sounds.some(({ rough }) => rough)) navigator.vibrate?.(sounds.flatMap(({ long }) => [long, PAUSE]));
  if (typeof AudioContext === 'undefined') return;
  const out = speaker();
  // A browser that was not touched yet plays nothing: then the page alone tells.
  void out.resume().catch(unlessExpected('a sound'));
  let at = out.currentTime;
  for (const { pitch, long, rough } of sounds) {
    const [tone, volume] = [out.createOscillator(), out.createGain()];
    tone.type = rough ? 'sawtooth' : 'sine';
    tone.frequency.value = pitch;
    volume.gain.value = LOUD;
    tone.connect(volume).connect(out.destination);
    tone.start(at);
    tone.stop(at + long / 1_000);
    at += (long + PAUSE) / 1_000;
  }
}
