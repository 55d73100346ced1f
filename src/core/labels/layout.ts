/**
 * Sheets and rolls that labels come on. Millimetres. Sizes are those common in the stationery trade, from
 * memory.
 */
export interface LabelStock {
  id: string;
  name: string;
  page: { width: number; height: number };
  label: { width: number; height: number };
  columns: number;
  rows: number;
  /** Left and top margin of the first label; gaps between labels. */
  margin: { left: number; top: number };
  gap: { x: number; y: number };
}

const A4 = { width: 210, height: 297 };
const LETTER = { width: 215.9, height: 279.4 };
const roll = (id: string, width: number, height: number): LabelStock => ({
  id,
  name: `Roll, ${width} × ${height} mm`,
  page: { width, height },
  label: { width, height },
  columns: 1,
  rows: 1,
  margin: { left: 0, top: 0 },
  gap: { x: 0, y: 0 },
});

export const STOCKS: readonly LabelStock[] = [
  {
    id: 'a4-21',
    name: 'A4 sheet, 21 labels',
    page: A4,
    label: { width: 70, height: 42.3 },
    columns: 3,
    rows: 7,
    margin: { left: 0, top: 0.4 },
    gap: { x: 0, y: 0 },
  },
  {
    id: 'a4-24',
    name: 'A4 sheet, 24 labels',
    page: A4,
    label: { width: 70, height: 37 },
    columns: 3,
    rows: 8,
    margin: { left: 0, top: 0.5 },
    gap: { x: 0, y: 0 },
  },
  {
    id: 'a4-40',
    name: 'A4 sheet, 40 labels',
    page: A4,
    label: { width: 48.5, height: 25.4 },
    columns: 4,
    rows: 10,
    margin: { left: 8, top: 21.5 },
    gap: { x: 0, y: 0 },
  },
  {
    id: 'letter-30',
    name: 'Letter sheet, 30 labels',
    page: LETTER,
    label: { width: 66.7, height: 25.4 },
    columns: 3,
    rows: 10,
    margin: { left: 4.7, top: 12.7 },
    gap: { x: 3.1, y: 0 },
  },
  roll('roll-62', 62, 29),
  roll('roll-57', 57, 32),
];

export interface Placed {
  page: number;
  /** Of the label's upper left corner, from the page's. Millimetres. */
  x: number;
  y: number;
}

/**
 * Where each of so many labels stands, row after row.
 *
 * @param used places of the first sheet already used up
 */
export function placesFor(stock: LabelStock, count: number, used = 0): Placed[] {
  const each = stock.columns * stock.rows;
  const skip = Math.max(0, Math.min(used, each - 1));
  return Array.from({ length: count }, (_, i) => {
    const at = i + skip;
    const place = at % each;
    return {
      page: Math.floor(at / each),
      x: stock.margin.left + (place % stock.columns) * (stock.label.width + stock.gap.x),
      y: stock.margin.top + Math.floor(place / stock.columns) * (stock.label.height + stock.gap.y),
    };
  });
}

/** Free space around the print on a label, millimetres. */
export const EDGE = 3;
/** Quiet zone on both sides of a Code 128, in modules (ISO/IEC 15417). */
export const QUIET = 10;

/**
 * Bars as rectangles across a width: `left` and `width` in the same unit.
 *
 * @param widths bar, space, bar, ... in modules
 */
export function barsAcross(widths: readonly number[], across: number): { left: number; width: number }[] {
  const modules = widths.reduce((a, b) => a + b, 0) + 2 * QUIET;
  const unit = across / modules;
  const bars: { left: number; width: number }[] = [];
  let at = QUIET;
  widths.forEach((width, i) => {
    if (i % 2 === 0) bars.push({ left: at * unit, width: width * unit });
    at += width;
  });
  return bars;
}

/**
 * What a plain printer's font can show: the rest becomes a question mark, so that nothing is silently
 * missing.
 */
export function printable(text: string): string {
  return text.normalize('NFC').replace(/[^\x20-\x7e\u00a0-\u00ff]/gu, '?');
}
