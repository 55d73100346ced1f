import { patience } from './injectLatency';

// Ends a test that hangs, nothing else.
jest.setTimeout(patience(300_000));
