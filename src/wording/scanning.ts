import type { Signal } from '@/core/scanning/signals';

/** What a signal means, beside what was scanned. */
const SAID: Readonly<Record<Signal, string>> = {
  found: 'Found',
  taken: 'Taken in',
  here: 'Already here',
  closed: 'Closed to you',
  unknown: 'Not known to the product look-up',
  refused: 'Not taken',
};

export const signalWords = (signal: Signal | null): string =>
  signal === null ? 'Looking it up…' : SAID[signal];

/** Why a scan did not begin an item, or what else it did. */
export const SCAN_REASONS = {
  misread:
    'That is no barcode: its length or its last digit is wrong. Nothing was kept of it; scan it once more.',
  spotMissing: 'First the spot of the one before: scan or type where it lies. Nothing was kept of this code.',
  spot: 'Noted as its spot.',
} as const;
