import { SLOWER } from './late';

// As before where nothing is late; where everything is made late on purpose, a whole test takes that much longer.
jest.setTimeout(300_000 * SLOWER);
