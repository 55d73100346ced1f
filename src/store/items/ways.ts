import { useMemo } from 'react';

import type { Ways } from '@/core/stock/bulk';
import { useAttic } from '@/store/attic/attic';

import { kindsNow, useKinds } from './kinds';

/** What amounts, lengths and names are read and written by just now. */
export function useWays(): Ways {
  const kinds = useKinds();
  const currency = useAttic((s) => s.settings.currency);
  const units = useAttic((s) => s.settings.units);
  const groups = useAttic((s) => s.groups);
  return useMemo(() => ({ kinds, currency, units, groups }), [kinds, currency, units, groups]);
}

/** The same, asked once. */
export function waysNow(): Ways {
  const { settings, groups } = useAttic.getState();
  return { kinds: kindsNow(), currency: settings.currency, units: settings.units, groups };
}
