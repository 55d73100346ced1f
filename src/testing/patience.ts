import { configure } from '@testing-library/react';

/** As a person waits, in ms: a busy machine may be slow, and only what never comes is a fault. */
export const PATIENCE = 20_000;

configure({ asyncUtilTimeout: PATIENCE });

// From here, not from the package: there it gives up after a second.
export { waitFor } from '@testing-library/react';
