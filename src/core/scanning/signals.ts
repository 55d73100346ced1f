/** How a scan went, as it is heard without a look at the page. */
export const SIGNALS = ['found', 'taken', 'here', 'closed', 'unknown', 'refused'] as const;
export type Signal = (typeof SIGNALS)[number];

/** One sound of a signal. */
export interface Sounding {
  /** Hertz. */
  pitch: number;
  /** Milliseconds. */
  long: number;
  /** A beep is a pure tone, a buzz a rough one. */
  rough: boolean;
}

/** Pause between two sounds of one signal, milliseconds. */
export const PAUSE = 60;

const HIGH: Sounding = { pitch: 1_320, long: 110, rough: false };
const LOW: Sounding = { pitch: 160, long: 260, rough: true };

/**
 * What each signal sounds like: beeps where it goes on by itself, buzzes where a person is asked to look. No
 * two are of as many sounds of one sort.
 */
export const SOUNDS: Readonly<Record<Signal, readonly Sounding[]>> = {
  found: [HIGH],
  taken: [HIGH, HIGH],
  here: [LOW, HIGH],
  closed: [LOW, LOW],
  unknown: [LOW],
  refused: [LOW, LOW, LOW],
};
