import type { RuleSheet } from '@/contract/ruleSheet';

import { canonicalBarcode } from '../identity/gtin';

type SheetRecord = NonNullable<RuleSheet['records']>[number];

/** By barcode in its one form; a sheet may hold fifty thousand, and every check asks. */
const byBarcode = new WeakMap<readonly SheetRecord[], Map<string, SheetRecord>>();

/** The record that a marketplace has under a barcode, however either of them writes it. */
export function recordOf(barcode: string | undefined, { records }: RuleSheet): SheetRecord | undefined {
  if (!records || !barcode || barcode.trim() === '') return undefined;
  let known = byBarcode.get(records);
  if (!known) {
    known = new Map(records.map((r) => [canonicalBarcode(r.barcode), r]));
    byBarcode.set(records, known);
  }
  return known.get(canonicalBarcode(barcode));
}
