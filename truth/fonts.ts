import { GlobalFonts } from '@napi-rs/canvas';
import { join } from 'node:path';

/**
 * Printed and handwritten letters: those that may be tuned on, and those of the seeds that are only
 * reported.
 */
export const FONTS = {
  tuning: {
    printed: ['archivo-narrow-bold', 'lora', 'rokkitt-bold', 'josefin-sans-bold'],
    handwritten: ['patrick-hand', 'caveat'],
  },
  reported: {
    printed: ['barlow', 'courier-prime-bold', 'dm-serif-display', 'oswald'],
    handwritten: ['gochi-hand', 'permanent-marker'],
  },
} as const;

export type Letters = (typeof FONTS)[keyof typeof FONTS];

export function loadFonts(): void {
  for (const { printed, handwritten } of Object.values(FONTS))
    for (const name of [...printed, ...handwritten])
      if (!GlobalFonts.registerFromPath(join(__dirname, 'fonts', `${name}.ttf`), name))
        throw new Error(`No font ${name}.`);
}
