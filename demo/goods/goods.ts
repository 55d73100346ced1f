import type { Good } from './good';
import { HOUSE } from './house';
import { PASTIMES } from './pastimes';
import { WEAR } from './wear';

export const GOODS: readonly Good[] = [...WEAR, ...HOUSE, ...PASTIMES];
