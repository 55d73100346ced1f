import { useMemo } from 'react';

import type { CourierItemView } from '@/contract/courier';
import type { RuleSheet } from '@/contract/ruleSheet';
import { useCourier } from '@/store/courier/courierLink';

/**
 * The rules of the marketplaces this person sells at: those that are connected, and those where something
 * hangs all the same.
 */
export function useUsedSheets(): readonly RuleSheet[] {
  const sheets = useCourier((s) => s.sheets);
  const views = useCourier((s) => s.items);
  // One text, so that whatever else is told of marketplaces changes nothing.
  const off = useCourier((s) => s.markets.flatMap((m) => (m.link === 'off' ? [m.id] : [])).join(' '));
  const left = useMemo(() => {
    const names = new Set(off.split(' ').filter((id) => id && !isUp(views, id)));
    return [...names].join(' ');
  }, [off, views]);
  return useMemo(() => {
    const out = new Set(left.split(' '));
    return sheets.filter((s) => !out.has(s.marketplace));
  }, [sheets, left]);
}

function isUp(views: Readonly<Record<string, CourierItemView>>, market: string): boolean {
  return Object.values(views).some((v) => v.listings.some((l) => l.market === market && l.want === 'live'));
}
