/** Each value's place in the order of all; alike ones share the middle of theirs. */
export function ranksOf(values: readonly number[]): number[] {
  const order = values.map((_, at) => at).sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
  const ranks = values.map(() => 0);
  for (let from = 0; from < order.length;) {
    let to = from;
    while (to + 1 < order.length && values[order[to + 1] ?? 0] === values[order[from] ?? 0]) to += 1;
    for (let at = from; at <= to; at += 1) ranks[order[at] ?? 0] = (from + to) / 2;
    from = to + 1;
  }
  return ranks;
}

/** With mean 0 and variance 1; all 0 where they do not differ. */
function standardised(values: readonly number[]): number[] {
  const mean = values.reduce((sum, v) => sum + v, 0) / values.length;
  const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / values.length;
  return values.map((v) => (variance > 0 ? (v - mean) / Math.sqrt(variance) : 0));
}

/** Solves a symmetric positive system by Cholesky's factors; a row that has nothing gives 0. */
function solved(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const n = right.length;
  const factor = matrix.map((row) => row.map(() => 0));
  const at = (i: number, j: number): number => factor[i]?.[j] ?? 0;
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i]?.[j] ?? 0;
      for (let k = 0; k < j; k += 1) sum -= at(i, k) * at(j, k);
      const row = factor[i];
      if (row) row[j] = i === j ? Math.sqrt(Math.max(sum, 1e-12)) : sum / at(j, j);
    }
  const half = right.map(() => 0);
  for (let i = 0; i < n; i += 1) {
    let sum = right[i] ?? 0;
    for (let k = 0; k < i; k += 1) sum -= at(i, k) * (half[k] ?? 0);
    half[i] = sum / at(i, i);
  }
  const answer = right.map(() => 0);
  for (let i = n - 1; i >= 0; i -= 1) {
    let sum = half[i] ?? 0;
    for (let k = i + 1; k < n; k += 1) sum -= at(k, i) * (answer[k] ?? 0);
    answer[i] = sum / at(i, i);
  }
  return answer;
}

/**
 * How much of an answer's order each input's order explains: the squares of the standardised coefficients of a linear
 * regression of ranks on ranks. Source: R. L. Iman and W. J. Conover, Technometrics 21, 1979.
 *
 * @param inputs a column of values each
 * @param answer as long as the columns
 * @returns a share for each input, in their order; nearly 1 together where the answer rises or falls with each
 * @example explained([[1, 2, 3, 4], [2, 1, 2, 1]], [10, 20, 30, 40]) // [1, 0]
 */
export function explained(inputs: readonly (readonly number[])[], answer: readonly number[]): number[] {
  const columns = inputs.map((values) => standardised(ranksOf(values)));
  const target = standardised(ranksOf(answer));
  const n = answer.length;
  const product = (a: readonly number[], b: readonly number[]): number =>
    a.reduce((sum, v, at) => sum + v * (b[at] ?? 0), 0) / n;
  const normal = columns.map((a) => columns.map((b) => product(a, b)));
  const right = columns.map((a) => product(a, target));
  return solved(normal, right).map((coefficient, at) =>
    columns[at]?.some((v) => v !== 0) ? coefficient ** 2 : 0,
  );
}
