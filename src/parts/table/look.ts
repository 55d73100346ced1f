import { FONT, type useColours } from '@/theme/theme';

/** The grid in the house's colours. */
export function lookOf(c: ReturnType<typeof useColours>): string {
  return `.attic-grid { --dsg-border-color: ${c.line}; --dsg-selection-border-color: ${c.moss};
    --dsg-selection-background-color: ${c.moss}14; --dsg-cell-background-color: ${c.surface};
    --dsg-cell-disabled-background-color: ${c.surface}; --dsg-header-text-color: ${c.soft};
    --dsg-header-active-text-color: ${c.ink}; --dsg-corner-indicator-width: 10px; color: ${c.ink};
    font-family: '${FONT.text}'; font-size: 15px; }
    .attic-grid .dsg-cell-header-container { padding: 0; font: inherit; width: 100%; height: 100%; }
    .attic-grid .dsg-cell-gutter { padding: 0; justify-content: flex-start; }
    .attic-grid .dsg-cell-disabled { opacity: 1; }
    .attic-grid .attic-unasked { background: ${c.ground}; }
    .attic-grid .attic-chosen .dsg-cell { background: ${c.mossTint}; }
    .attic-grid .attic-heading { position: relative; display: flex; width: 100%; height: 100%; }
    .attic-grid .attic-heading button { flex: 1; min-width: 0; padding: 0 10px; border: 0; background: none;
      display: flex; align-items: center; gap: 4px; font: inherit; color: inherit; cursor: pointer; }
    .attic-grid .attic-heading button > span { overflow: hidden; text-overflow: ellipsis;
      white-space: nowrap; }
    .attic-grid .attic-heading [role=separator] { width: 11px; cursor: col-resize; touch-action: none;
      border-right: 2px solid transparent; }
    .attic-grid .attic-heading [role=separator]:is(:hover, :focus-visible, [data-dragged]) {
      border-color: ${c.moss}; }
    .attic-grid input { font: inherit; color: inherit; background: none; border: 0; outline: 0;
      width: 100%; padding: 0 8px; }
    .attic-grid input[data-figure] { text-align: right; }
    .attic-grid input::placeholder { color: ${c.soft}; }
    .attic-grid [data-refused] { color: ${c.brick}; text-decoration: underline wavy; }`;
}
