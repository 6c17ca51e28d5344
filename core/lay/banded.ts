/**
 * Factorises a symmetric banded matrix in place as L·D·Lᵀ. Entry (i, j) with j ≤ i stands at
 * i·(band + 1) + (i − j).
 * @param band how many places below the diagonal may be other than 0
 * @returns whether the matrix is positive definite; its contents are lost when it is not
 */
export function factorise(matrix: Float64Array, size: number, band: number): boolean {
  const width = band + 1
  for (let row = 0; row < size; row++) {
    const first = row > band ? row - band : 0
    // Entry (row, column) stands at `own - column`.
    const own = row * width + row
    // L(row, j)·D(j), from the left: what is left of the band in `row` is there for every column of it.
    for (let column = first + 1; column < row; column++) {
      const other = column * width + column
      let sum = matrix[own - column]!
      for (let inner = first; inner < column; inner++) sum -= matrix[own - inner]! * matrix[other - inner]!
      matrix[own - column] = sum
    }
    let pivot = matrix[row * width]!
    for (let column = first; column < row; column++) {
      const product = matrix[own - column]!
      const lower = product / matrix[column * width]!
      matrix[own - column] = lower
      pivot -= lower * product
    }
    if (!(pivot > 0)) return false
    matrix[row * width] = pivot
  }
  return true
}

/** Solves L·D·Lᵀ x = b in place, with a matrix that `factorise` was given. */
export function solve(factors: Float64Array, size: number, band: number, values: Float64Array): void {
  const width = band + 1
  for (let row = 0; row < size; row++) {
    let sum = values[row]!
    for (let column = Math.max(0, row - band); column < row; column++) {
      sum -= factors[row * width + row - column]! * values[column]!
    }
    values[row] = sum
  }
  for (let row = size - 1; row >= 0; row--) {
    let sum = values[row]! / factors[row * width]!
    for (let below = row + 1; below <= Math.min(size - 1, row + band); below++) {
      sum -= factors[below * width + below - row]! * values[below]!
    }
    values[row] = sum
  }
}
