import '@/contract/noEval';

import { expose } from 'comlink';

import { keepsOf, type Keep, type Matured } from '@/core/ledger/keep';

/** Reckons what takes long: intervals drawn anew two thousand times. */
export interface FigureReckoner {
  keeps(all: readonly Matured[]): Keep[];
}

const reckoner: FigureReckoner = { keeps: keepsOf };
expose(reckoner);
