/** Gaussian elimination with pivoting; null when singular. */
export function solveSquare(matrix: number[][], right: number[]): number[] | null {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  const n = rows.length;
  for (let r = 0; r < n; r += 1) {
    let pivot = r;
    for (let q = r + 1; q < n; q += 1) if (Math.abs(rows[q]![r]!) > Math.abs(rows[pivot]![r]!)) pivot = q;
    [rows[r], rows[pivot]] = [rows[pivot]!, rows[r]!];
    if (!(Math.abs(rows[r]![r]!) > 1e-14)) return null;
    for (let q = 0; q < n; q += 1) {
      if (q === r) continue;
      const f = rows[q]![r]! / rows[r]![r]!;
      for (let c = r; c <= n; c += 1) rows[q]![c]! -= f * rows[r]![c]!;
    }
  }
  return rows.map((row, r) => row[n]! / row[r]!);
}
