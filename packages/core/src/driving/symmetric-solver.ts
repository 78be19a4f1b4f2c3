/**
 * Small symmetric positive systems, solved again and again without making anything anew: A = M + h D, by A = L D Lᵀ.
 *
 * Source: G. H. Golub and C. F. Van Loan, Matrix Computations, 4.1 (from memory).
 */
export class SymmetricSolver {
  /** Row by row; of what is filled in, the lower half counts. */
  readonly falls: Float64Array;
  readonly #size: number;
  readonly #lower: Float64Array;

  constructor(size: number) {
    this.#size = size;
    this.falls = new Float64Array(size * size);
    this.#lower = new Float64Array(size * size);
  }

  /** Factors mass + h × what was filled into `falls`. */
  factor(mass: Float64Array, h: number): void {
    const n = this.#size;
    const low = this.#lower;
    const { falls } = this;
    for (let i = 0; i < n; i += 1) {
      const row = i * n;
      for (let j = 0; j <= i; j += 1) {
        let sum = (mass[row + j] as number) + h * (falls[row + j] as number);
        for (let k = 0; k < j; k += 1)
          sum -= (low[row + k] as number) * (low[j * n + k] as number) * (low[k * n + k] as number);
        low[row + j] = j === i ? sum : sum / (low[j * n + j] as number);
      }
    }
  }

  /** Solves into `to`. */
  solve(right: Float64Array, to: Float64Array): void {
    const n = this.#size;
    const low = this.#lower;
    for (let i = 0; i < n; i += 1) {
      let sum = right[i] as number;
      for (let k = 0; k < i; k += 1) sum -= (low[i * n + k] as number) * (to[k] as number);
      to[i] = sum;
    }
    for (let i = n - 1; i >= 0; i -= 1) {
      let sum = (to[i] as number) / (low[i * n + i] as number);
      for (let k = i + 1; k < n; k += 1) sum -= (low[k * n + i] as number) * (to[k] as number);
      to[i] = sum;
    }
  }

  /** A symmetric matrix of this size times a column, into `to`. */
  times(matrix: Float64Array, column: Float64Array, to: Float64Array): void {
    const n = this.#size;
    for (let i = 0; i < n; i += 1) {
      let sum = 0;
      for (let k = 0; k < n; k += 1) sum += (matrix[i * n + k] as number) * (column[k] as number);
      to[i] = sum;
    }
  }
}
