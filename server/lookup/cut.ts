import { z } from 'zod';

/** Text from outside: what is longer than ours is cut, so that it does not cost the rest. */
export const cut = (most: number) => z.string().transform((text) => text.slice(0, most));
