import JsBarcode from 'jsbarcode';

/** A Code 128 (ISO/IEC 15417) as widths of bar, space, bar, ... in modules; null for a text it can't hold. */
export function code128Widths(text: string): number[] | null {
  if (!/^[\x20-\x7e]+$/u.test(text)) return null;
  const drawn: { encodings?: { data: string }[] } = {};
  JsBarcode(drawn, text, { format: 'CODE128', margin: 0 });
  const modules = drawn.encodings?.map((e) => e.data).join('') ?? '';
  const runs = modules.match(/1+|0+/gu);
  return runs && runs[0]?.startsWith('1') ? runs.map((run) => run.length) : null;
}
