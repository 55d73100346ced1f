declare module 'pino-roll' {
  import type { SonicBoom } from 'sonic-boom';

  /** A stream to a file that is begun anew when it is too long. */
  export default function roll(options: {
    file: string;
    extension?: string;
    size?: string;
    limit?: { count: number; removeOtherLogFiles?: boolean };
    mkdir?: boolean;
  }): Promise<SonicBoom>;
}
