import { useEffect, type RefObject } from 'react';
import type { DataSheetGridRef } from 'react-datasheet-grid';

const ROLES = [
  ['.dsg-container', 'grid'],
  ['.dsg-container > div', 'rowgroup'],
  ['.dsg-row', 'row'],
  ['.dsg-row-header > .dsg-cell', 'columnheader'],
  ['.dsg-row:not(.dsg-row-header) > .dsg-cell-gutter', 'rowheader'],
  ['.dsg-row:not(.dsg-row-header) > .dsg-cell:not(.dsg-cell-gutter)', 'gridcell'],
] as const;

/**
 * The table can be read aloud as one, and reached by the keyboard alone: with the focus comes its first cell.
 *
 * @param label its name
 */
export function useReachable(
  around: RefObject<HTMLElement | null>,
  grid: RefObject<DataSheetGridRef | null>,
  label: string,
): void {
  useEffect(() => {
    const outer = around.current;
    if (!outer) return;
    const reach = () => {
      for (const [which, role] of ROLES)
        for (const part of outer.querySelectorAll(`${which}:not([role])`)) part.setAttribute('role', role);
      const frame = outer.querySelector<HTMLElement>('.dsg-container');
      if (!frame || frame.hasAttribute('tabindex')) return;
      frame.setAttribute('tabindex', '0');
      frame.setAttribute('aria-label', label);
    };
    const enter = ({ target }: FocusEvent) => {
      const isFrame = target instanceof HTMLElement && target.classList.contains('dsg-container');
      if (isFrame && !grid.current?.activeCell && target.matches(':focus-visible'))
        grid.current?.setActiveCell({ col: 0, row: 0 });
    };
    reach();
    // The frame comes once its size is known, rows as they come in sight.
    const watch = new MutationObserver(reach);
    watch.observe(outer, { childList: true, subtree: true });
    outer.addEventListener('focusin', enter);
    return () => {
      watch.disconnect();
      outer.removeEventListener('focusin', enter);
    };
  }, [around, grid, label]);
}
