import { SLOWER } from './late';

jest.setTimeout(300_000 * SLOWER);
