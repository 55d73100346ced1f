import { LuDecomposition, Matrix } from 'ml-matrix';

/** Solves a square system of linear equations; null when it is singular. */
export function solveSquare(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
): number[] | null {
  const lu = new LuDecomposition(new Matrix(matrix.map((row) => [...row])));
  const smallest = Math.min(...lu.upperTriangularMatrix.diagonal().map(Math.abs));
  // LAPACK-like libraries call only an exact 0 singular.
  if (!(smallest > 1e-14)) return null;
  return lu.solve(Matrix.columnVector([...right])).to1DArray();
}
