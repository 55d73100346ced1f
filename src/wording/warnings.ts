import { counted } from '@/core/language/plural';
import type { WarningSort } from '@/core/warnings/warnings';

/** What a sort of warnings is called, as a heading. */
export const SORT_NAMES: Readonly<Record<WarningSort, string>> = {
  refused: 'Refused',
  blocked: 'Would be refused',
  coming: 'Would be refused by new rules',
  caution: 'To think of',
};

/** "12 live listings and 6 drafts" */
export function concerned({ live, drafts }: { live: number; drafts: number }): string {
  const parts = [live > 0 ? counted(live, 'live listing') : '', drafts > 0 ? counted(drafts, 'draft') : ''];
  return parts.filter(Boolean).join(' and ');
}
