import type { CarrierRates } from '@/contract/carrier';
import type { Mapping } from '@/contract/mapping';
import { Settings, type Pattern } from '@/contract/records';
import type { Stencil } from '@/contract/stencil';
import type { Terms } from '@/contract/terms';

import { STARTING_RATES } from '../postage/rates';

/** What the person set up once and what bears on every listing. */
export interface Setup {
  settings: Settings;
  mappings: readonly Mapping[];
  terms: readonly Terms[];
  stencils: readonly Stencil[];
  patterns: Readonly<Record<string, Pattern>>;
  /** When it would be sent, milliseconds since 1970: prices may come down by days. */
  now: number;
}

/** An attic in which nothing was set up yet. */
export function plainSetup(part: Partial<Settings> = {}): Setup {
  return {
    settings: Settings.parse({ id: 'settings', ...part }),
    mappings: [],
    terms: [],
    stencils: [],
    patterns: {},
    now: 0,
  };
}

/** What the carrier asks, as it said last; until then a table of our own. */
export function ratesOf(settings: Pick<Settings, 'rates'>): CarrierRates {
  return settings.rates ?? STARTING_RATES;
}
