/** The whole numbers under n in an order by chance. */
function shuffled(n: number, random: () => number): number[] {
  const order = Array.from({ length: n }, (_, at) => at);
  for (let at = n - 1; at > 0; at -= 1) {
    const other = Math.floor(random() * (at + 1));
    [order[at], order[other]] = [order[other] ?? 0, order[at] ?? 0];
  }
  return order;
}

/**
 * A Latin hypercube: of each input, every one of n equal slices of 0 to 1 is met once. Source: M. D. McKay, R. J. Beckman and
 * W. J. Conover, Technometrics 21, 1979.
 *
 * @returns n rows of so many inputs
 * @example latinHypercube(4, 1, seeded(1)).map(([u]) => Math.floor(4 * u)).sort() // [0, 1, 2, 3]
 */
export function latinHypercube(n: number, inputs: number, random: () => number): number[][] {
  const columns = Array.from({ length: inputs }, () =>
    shuffled(n, random).map((slice) => (slice + random()) / n),
  );
  return Array.from({ length: n }, (_, row) => columns.map((column) => column[row] ?? 0.5));
}
