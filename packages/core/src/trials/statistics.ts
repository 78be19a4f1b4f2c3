const sum = (values: readonly number[]): number => values.reduce((total, x) => total + x, 0);

/**
 * Mean in two passes, the second about the first: readings far from 0 lose no digits.
 *
 * @example meanOf([1, 2, 6]) // 3
 */
export function meanOf(values: readonly number[]): number {
  const rough = sum(values) / values.length;
  return rough + sum(values.map((x) => x - rough)) / values.length;
}

/**
 * Variance with n − 1.
 *
 * @example varianceOf([1, 2, 6]) // 7
 */
export function varianceOf(values: readonly number[]): number {
  const mean = meanOf(values);
  return sum(values.map((x) => (x - mean) ** 2)) / (values.length - 1);
}

/**
 * The middle one, or the mean of the two in the middle.
 *
 * @example medianOf([1, 2, 6, 3]) // 2.5
 */
export function medianOf(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length / 2;
  return ((sorted[Math.ceil(middle) - 1] ?? 0) + (sorted[Math.floor(middle)] ?? 0)) / 2;
}
