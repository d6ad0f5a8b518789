import { LuDecomposition, Matrix } from 'ml-matrix'

/** A pivot smaller than this says that the equations leave something open. */
const LEAST_PIVOT = 1e-12

/** Solves a small square system, such as the normal equations of a least-squares fit.
 * @param matrix n rows of n numbers @param right n numbers
 * @returns n numbers; null where it is singular */
export function solved(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  return solver(matrix)?.(right) ?? null
}

/** The same for several right sides of one matrix; null where it is singular. */
export function solver(matrix: readonly (readonly number[])[]): ((right: readonly number[]) => number[]) | null {
  const lu = new LuDecomposition(new Matrix(matrix as number[][]))
  const { data } = (lu as unknown as { LU: { data: readonly ArrayLike<number>[] } }).LU
  if (matrix.some((_row, i) => !(Math.abs(data[i]?.[i] ?? 0) >= LEAST_PIVOT))) return null
  return (right) => lu.solve(Matrix.columnVector(right as number[])).to1DArray()
}
