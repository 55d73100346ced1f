import { patience } from './late';

// Ends a test that hangs, nothing else.
jest.setTimeout(patience(300_000));
