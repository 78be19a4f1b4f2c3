/** The part of odex that the checks use; the package ships sources that do not pass this project's type rules. */
export class Solver {
  constructor(dimensions: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    derivative: (x: number, y: number[]) => number[],
    start: number,
    initial: number[],
    end: number,
  ): { readonly y: number[] };
}
