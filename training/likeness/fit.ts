/**
 * Linear discriminant analysis (Fisher 1936, for several classes Rao 1948): the directions in which designs
 * differ, each scaled so that pictures of one design lie about one apart.
 *
 * @param rows features of pictures;  @param of which class each is of
 * @returns `directions` rows of as many numbers as there are features, the telling ones first
 */
export function discriminant(
  rows: readonly Float32Array[],
  of: readonly number[],
  dims: number,
  shrink: number,
): { mean: Float64Array; directions: Float64Array[] } {
  const d = rows[0]?.length ?? 0;
  const classes = new Map<number, { sum: Float64Array; n: number }>();
  rows.forEach((row, i) => {
    const c = classes.get(of[i]!) ?? { sum: new Float64Array(d), n: 0 };
    classes.set(of[i]!, c);
    row.forEach((v, k) => (c.sum[k]! += v));
    c.n += 1;
  });
  const means = new Map([...classes].map(([no, { sum, n }]) => [no, sum.map((v) => v / n)]));
  const within = Array.from({ length: d }, () => new Float64Array(d));
  const off = new Float64Array(d);
  rows.forEach((row, r) => {
    // Every row's class has one.
    const mean = means.get(of[r]!)!;
    for (let k = 0; k < d; k += 1) off[k] = row[k]! - mean[k]!;
    for (let i = 0; i < d; i += 1) {
      const v = off[i]!;
      if (v === 0) continue;
      const line = within[i]!;
      for (let j = 0; j <= i; j += 1) line[j]! += v * off[j]!;
    }
  });
  let trace = 0;
  for (let i = 0; i < d; i += 1) {
    for (let j = 0; j <= i; j += 1) within[i]![j]! /= rows.length;
    trace += within[i]![i]!;
  }
  for (let i = 0; i < d; i += 1) within[i]![i]! += (shrink * trace) / d;
  const lower = cholesky(within);
  const mean = new Float64Array(d);
  for (const m of means.values()) m.forEach((v, k) => (mean[k]! += v / means.size));
  // Class means in the space where all that differs within a class is round.
  const white = [...means.values()].map((m) =>
    forward(
      lower,
      m.map((v, k) => v - mean[k]!),
    ),
  );
  const axes = principal(white, dims);
  return { mean, directions: axes.map((axis) => backward(lower, axis)) };
}

function cholesky(a: readonly Float64Array[]): Float64Array[] {
  const n = a.length;
  const l = Array.from({ length: n }, () => new Float64Array(n));
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = a[i]![j]!;
      const [li, lj] = [l[i]!, l[j]!];
      for (let k = 0; k < j; k += 1) sum -= li[k]! * lj[k]!;
      li[j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / lj[j]!;
    }
  return l;
}

/** Solves L x = b. */
function forward(l: readonly Float64Array[], b: Float64Array): Float64Array {
  const x = new Float64Array(b.length);
  for (let i = 0; i < b.length; i += 1) {
    let sum = b[i]!;
    for (let k = 0; k < i; k += 1) sum -= l[i]![k]! * x[k]!;
    x[i] = sum / l[i]![i]!;
  }
  return x;
}

/** Solves Lᵀ x = b. */
function backward(l: readonly Float64Array[], b: Float64Array): Float64Array {
  const x = new Float64Array(b.length);
  for (let i = b.length - 1; i >= 0; i -= 1) {
    let sum = b[i]!;
    for (let k = i + 1; k < b.length; k += 1) sum -= l[k]![i]! * x[k]!;
    x[i] = sum / l[i]![i]!;
  }
  return x;
}

/** The axes along which points spread most, by power iteration on their Gram matrix. */
function principal(points: readonly Float64Array[], most: number): Float64Array[] {
  const n = points.length;
  const gram = points.map((p) => Float64Array.from(points, (q) => p.reduce((s, v, k) => s + v * q[k]!, 0)));
  const axes: Float64Array[] = [];
  for (let turn = 0; turn < Math.min(most, n - 1); turn += 1) {
    let v = Float64Array.from({ length: n }, (_, i) => Math.sin(1 + i * (turn + 1)));
    let value = 0;
    for (let step = 0; step < 300; step += 1) {
      const next = gram.map((row) => row.reduce((s, w, k) => s + w * v[k]!, 0));
      value = Math.hypot(...next);
      if (value < 1e-9) return axes;
      v = Float64Array.from(next, (w) => w / value);
    }
    const axis = new Float64Array(points[0]?.length ?? 0);
    points.forEach((p, i) => p.forEach((w, k) => (axis[k]! += v[i]! * w)));
    const long = Math.hypot(...axis);
    axes.push(axis.map((w) => w / long));
    for (let i = 0; i < n; i += 1) for (let j = 0; j < n; j += 1) gram[i]![j]! -= value * v[i]! * v[j]!;
  }
  return axes;
}
