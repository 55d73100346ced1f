import { z } from 'zod';

/** In browsers: no code is made at run time, and none is tried, which some report as a broken rule. */
z.config({ jitless: true });
